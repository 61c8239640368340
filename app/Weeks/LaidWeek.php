<?php

namespace App\Weeks;

use App\Access\CurrentViewer;
use App\Events\EventRecord;
use App\Events\Read\Scope;
use App\Events\Read\SeenOccurrences;
use App\Events\Read\SeenSeries;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\ClosedDays;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\WeekLaying;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** The events of a week as the series that they become over other weeks. */
final class LaidWeek
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenOccurrences $occurrences, private readonly SeenSeries $seen)
    {
    }

    /**
     * @return list<array{head: EventRecord, series: ?Series, days: list<string>, closed: list<string>, why: ?string}> by start; without a series where nothing is laid, and why
     *
     * @throws ValidationException where the closures are on no calendar that one may read
     */
    public function of(WeeksInput $input): array
    {
        $calendar = $this->viewer->calendar($input->validated('calendar'), Level::Add)->calendar;
        $zone = Zone::of($calendar->timezone);
        $laying = new WeekLaying($input->monday(), $input->first(), $input->last(), $input->integer('every', 1), $this->closed($input));
        $chosen = $input->validated('events');
        $laid = [];
        $perspective = $this->viewer->perspective();
        foreach ($this->occurrences->in($perspective, new Scope([$calendar->id], LocalDateTime::midnight($input->monday()), LocalDateTime::midnight($input->monday() + 7), $zone)) as $seen) {
            $occurrence = $seen->occurrence;
            if (! $seen->isFull || isset($laid[$occurrence->seriesId]) || $occurrence->isPinned() || ($chosen !== null && ! in_array($occurrence->seriesId, $chosen, true))) {
                continue;
            }
            $head = EventRecord::query()->findOrFail($occurrence->seriesId);
            $series = $this->seen->load($head);
            if ($series->master === null || $this->seen->visibility($head, $series->master, $perspective) !== Visibility::Full) {
                continue;
            }
            $dates = static fn (array $days): array => array_map(static fn (int $day): string => LocalDateTime::midnight($day)->toDate(), $days);
            // What began before the week, and what goes on by itself, is no event of this week.
            $why = match (true) {
                $head->repeats => 'it repeats already',
                $series->master->timing->start->local->day() < $input->monday() => 'it begins before the week',
                default => null,
            };
            [$days, $closed] = $why === null ? $laying->days($series->master) : [[], []];
            $laid[$head->id] = [
                'head' => $head, 'series' => $why === null ? $laying->lay($series->master, Str::uuid()->toString()) : null,
                'days' => $dates($days), 'closed' => $dates($closed), 'why' => $why ?? ($days === [] ? 'no day is left for it' : null),
            ];
        }

        return array_values($laid);
    }

    /** @return array<int, true> day numbers on which the chosen calendar says that all is closed */
    private function closed(WeeksInput $input): array
    {
        if (! $input->filled('closures')) {
            return [];
        }
        $calendar = $this->viewer->calendars()->first(fn ($each): bool => $each->calendar->slug === $input->validated('closures'));
        if ($calendar === null || ! $calendar->level()->includes(Level::See)) {
            throw ValidationException::withMessages(['closures' => 'There is no such calendar that you may read.']);
        }
        // The day of what is hidden is not told by its being left out.
        $scope = new Scope([$calendar->calendar->id], LocalDateTime::midnight($input->first()), LocalDateTime::midnight($input->last() + 8), Zone::of($calendar->calendar->timezone));
        $closing = [];
        foreach ($this->occurrences->in($this->viewer->perspective(), $scope) as $seen) {
            if ($seen->closes) {
                $closing[] = $seen->occurrence;
            }
        }

        return array_fill_keys(array_keys(ClosedDays::of($closing, $scope->zone, $input->first(), $input->last() + 8)), true);
    }
}
