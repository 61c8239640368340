<?php

namespace App\Overlays;

use App\Events\IndexedOccurrence;
use PinnedRota\Core\Access\Blanking;
use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** An occurrence in the layer that shows it, as its viewer may see it. */
final readonly class SheetItem
{
    /**
     * @param  list<string>  $categories
     * @param  ?Hold  $hold  what keeps the viewer from changing it
     * @param  list<string>  $responsible  names
     * @param  bool  $unanswered  whether the viewer is asked to take part and has not answered
     * @param  list<int>  $rows  where lanes are told apart by something else than layers: the rows in which it stands
     * @param  list<int>  $also  further calendars on which the same event is
     */
    public function __construct(
        public IndexedOccurrence $occurrence,
        public int $layer,
        public Visibility $visibility,
        public array $categories,
        private ?Hold $hold,
        private bool $external = false,
        private array $responsible = [],
        private bool $unanswered = false,
        private array $rows = [],
        private array $also = [],
    ) {
    }

    /** The same item, said to be on another calendar, too. */
    public function alsoOn(int $calendarId, int $layer): self
    {
        return new self($this->occurrence, $layer, $this->visibility, $this->categories, $this->hold, $this->external, $this->responsible, $this->unanswered, $this->rows, [...$this->also, $calendarId]);
    }

    /** @param  list<int>  $rows */
    public function inRows(array $rows): self
    {
        return new self($this->occurrence, $this->layer, $this->visibility, $this->categories, $this->hold, $this->external, $this->responsible, $this->unanswered, $rows, $this->also);
    }

    /**
     * @param  array<int, string>  $slugs  of calendars by id
     * @return array<string, mixed> times on the wall of $zone; all-day ones as dates, end exclusive
     */
    public function tell(Zone $zone, array $slugs): array
    {
        $occurrence = $this->occurrence;
        $full = $this->visibility === Visibility::Full;
        $allDay = $occurrence->kind === TimeKind::Date;
        [$start, $end] = $this->wall($zone);
        $contents = ['title' => $occurrence->title, 'place' => $occurrence->place, 'categories' => $this->categories, 'responsible' => $this->responsible];

        return ($full ? $contents : Blanking::contents($contents, $this->visibility)) + [
            'id' => $occurrence->seriesId,
            'occurrence' => $occurrence->recurrenceId,
            'layer' => $this->layer,
            'calendar' => $slugs[$occurrence->calendarId],
            'also' => $this->also === [] ? [] : array_map(static fn (int $id): string => $slugs[$id], $this->also),
            'allDay' => $allDay,
            'start' => $allDay ? $start->toDate() : $start->toMinute(),
            'end' => $allDay ? $end->toDate() : $end->toMinute(),
            'status' => $full ? $occurrence->status : 'confirmed',
            'busyOnly' => ! $full,
            'private' => $full && $occurrence->private,
            'repeats' => $full && $occurrence->repeats,
            'unanswered' => $full && $this->unanswered,
            'external' => $this->external,
            'hold' => $this->hold?->value,
        ] + $this->rare($full);
    }

    /** @return array<string, mixed> what few items have, told of those alone: a window has thousands */
    private function rare(bool $full): array
    {
        $rare = $this->rows === [] ? [] : ['rows' => $this->rows];
        if ($full && $this->occurrence->colour !== null) {
            $rare['colour'] = $this->occurrence->colour;
        }
        if ($full && ($this->also !== [] || $this->occurrence->isPinned())) {
            $rare['pinned'] = true;
        }

        return $rare;
    }

    /**
     * The days it takes up on the wall of a zone, as day numbers.
     *
     * @return array{int, int} first and last, both included
     */
    public function days(Zone $zone): array
    {
        [$start, $end] = $this->wall($zone);
        // What ends at midnight does not take up the day that begins then.
        $last = CivilDate::floorDiv(max($start->seconds, $end->seconds - 1), CivilDate::SECONDS_PER_DAY);

        return [$start->day(), $last];
    }

    /** @return array{LocalDateTime, LocalDateTime} */
    private function wall(Zone $zone): array
    {
        $zoned = $this->occurrence->kind === TimeKind::Zoned;

        return [
            new LocalDateTime($zoned ? $zone->toLocal($this->occurrence->starts) : $this->occurrence->starts),
            new LocalDateTime($zoned ? $zone->toLocal($this->occurrence->ends) : $this->occurrence->ends),
        ];
    }
}
