<?php

namespace App\Overlays;

use App\Events\Read\SeenOccurrence;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** An occurrence in the layer that shows it. */
final readonly class SheetItem
{
    /**
     * @param  ?Colour  $colour  where it has another than its layer
     * @param  list<int>  $rows  where lanes are told apart by something else than layers: the rows in which it stands
     * @param  list<int>  $also  further calendars on which the same event is
     */
    public function __construct(public SeenOccurrence $seen, public int $layer, private ?Colour $colour = null, private array $rows = [], private array $also = [])
    {
    }

    /** The same item, said to be on another calendar, too. */
    public function alsoOn(int $calendarId, int $layer): self
    {
        return new self($this->seen, $layer, $this->colour, $this->rows, [...$this->also, $calendarId]);
    }

    /** @param  list<int>  $rows */
    public function inRows(array $rows): self
    {
        return new self($this->seen, $this->layer, $this->colour, $rows, $this->also);
    }

    /**
     * @param  array<int, string>  $slugs  of calendars by id
     * @param  Zone  $zone  on whose wall times are told
     */
    public function tell(Zone $zone, array $slugs): SheetItemData
    {
        $seen = $this->seen;
        $occurrence = $seen->occurrence;
        $allDay = $occurrence->kind === TimeKind::Date;
        [$start, $end] = $occurrence->on($zone);

        return new SheetItemData(
            id: $occurrence->seriesId,
            occurrence: $occurrence->recurrenceId,
            layer: $this->layer,
            // Of people it may be on one that the viewer does not see.
            calendar: $slugs[$occurrence->calendarId] ?? '',
            also: $this->also === [] ? [] : array_values(array_filter(array_map(static fn (int $id): string => $slugs[$id] ?? '', $this->also))),
            title: $occurrence->title,
            place: $occurrence->place,
            categories: $seen->categories,
            responsible: $seen->responsible,
            allDay: $allDay,
            start: $allDay ? $start->toDate() : $start->toMinute(),
            end: $allDay ? $end->toDate() : $end->toMinute(),
            status: $occurrence->status,
            busyOnly: ! $seen->isFull,
            private: $occurrence->private,
            repeats: $occurrence->repeats,
            hold: $seen->hold,
            external: $seen->isExternal,
            unanswered: $seen->isUnanswered,
            // What few items have is told of those alone: a window has thousands.
            pinned: $seen->isFull && ($this->also !== [] || $occurrence->isPinned()) ? true : null,
            colour: $this->colour,
            rows: $this->rows === [] ? null : $this->rows,
            moreFollow: $occurrence->moreFollow ?: null,
        );
    }
}
