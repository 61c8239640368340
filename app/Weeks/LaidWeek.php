<?php

namespace App\Weeks;

use App\Access\CurrentViewer;
use App\Calendars\Category;
use App\Events\Event;
use App\Events\OccurrenceQuery;
use App\Events\SeenEvents;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\WeekLaying;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** The events of a week as the series that they become over other weeks. */
final class LaidWeek
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly OccurrenceQuery $occurrences, private readonly SeenEvents $seen)
    {
    }

    /**
     * @return list<array{head: Event, series: ?Series, days: list<string>, closed: list<string>, why: ?string}> by start; without a series where nothing is laid, and why
     *
     * @throws ValidationException where the closures are on no calendar that one may read
     */
    public function of(WeeksInput $input): array
    {
        $calendar = $this->viewer->calendar($input->validated('calendar'), Level::Contribute)->calendar;
        $zone = Zone::of($calendar->timezone);
        $laying = new WeekLaying($input->monday(), $input->first(), $input->last(), $input->integer('every', 1), $this->closed($input));
        $chosen = $input->validated('events');
        $laid = [];
        foreach ($this->occurrences->between([$calendar->id], self::at($input->monday()), self::at($input->monday() + 7), $zone) as $occurrence) {
            if (isset($laid[$occurrence->seriesId]) || $occurrence->isPinned() || ($chosen !== null && ! in_array($occurrence->seriesId, $chosen, true))) {
                continue;
            }
            $head = Event::query()->with('pins')->findOrFail($occurrence->seriesId);
            $series = $this->seen->load($head);
            if ($series->master === null || $this->seen->visibility($head, $series->master, $head->created_by, $this->viewer->sight()) !== Visibility::Full) {
                continue;
            }
            $dates = static fn (array $days): array => array_map(static fn (int $day): string => self::at($day)->toDate(), $days);
            // What began before the week, and what goes on by itself, is no event of this week.
            $why = match (true) {
                $head->repeats => 'it repeats already',
                $series->master->start->local->day() < $input->monday() => 'it begins before the week',
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
        if ($calendar === null || ! $calendar->level()->includes(Level::Read)) {
            throw ValidationException::withMessages(['closures' => 'There is no such calendar that you may read.']);
        }
        $closing = Category::query()->where('closes_day', true)->pluck('id')->all();
        $days = [];
        foreach ($this->occurrences->between([$calendar->calendar->id], self::at($input->first()), self::at($input->last() + 8), Zone::of($calendar->calendar->timezone)) as $each) {
            if (array_intersect(array_map(intval(...), explode(',', $each->categoryIds)), $closing) === []) {
                continue;
            }
            for ($day = CivilDate::floorDiv($each->starts, CivilDate::SECONDS_PER_DAY); $day <= CivilDate::floorDiv(max($each->starts, $each->ends - 1), CivilDate::SECONDS_PER_DAY); $day++) {
                $days[$day] = true;
            }
        }

        return $days;
    }

    private static function at(int $day): LocalDateTime
    {
        return new LocalDateTime($day * CivilDate::SECONDS_PER_DAY);
    }
}
