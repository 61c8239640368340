<?php

namespace App\Occurrences;

use App\Changes\Change;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Events\Write\EventsChanged;
use App\Events\Write\SeriesState;
use App\Organisation\Organisation;
use App\Organisation\SchoolDays;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\RecurrenceText;
use PinnedRota\Core\SchoolYear\SchoolYear;
use PinnedRota\Core\SchoolYear\TeachingDays;
use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\CivilDate;

/** Keeps series that are in term only in step with the school's year and its closures, in the transaction of their change. */
final class KeepToSchool
{
    private const AT_ONCE = 200;

    public function __construct(private readonly Organisation $organisation, private readonly SchoolDays $days, private readonly OccurrenceIndex $index, private readonly EventTranslator $translator)
    {
    }

    /** An event that closes days has come, gone or changed on the calendar of closures. */
    public function handle(EventsChanged $event): void
    {
        $closures = $this->organisation->settings()->closures;
        if ($closures === null) {
            return;
        }
        $categories = [];
        foreach ($event->series as $change) {
            foreach ([$change->before, $change->after] as $state) {
                if ($state instanceof SeriesState && in_array($closures, $state->calendarIds(), true)) {
                    array_push($categories, ...array_map(intval(...), array_column($state->categories, 'category_id')));
                }
            }
        }
        if (ClosingTimes::closes(array_values(array_unique($categories)))) {
            $this->lay();
        }
    }

    /** Lays all of them anew, and tells who looks at their calendars. */
    public function lay(): void
    {
        $this->days->forget();
        $calendars = [];
        $this->series(function (EventRecord $head) use (&$calendars): void {
            $this->index->refresh($head);
            $calendars[$head->calendar_id] = ($calendars[$head->calendar_id] ?? 0) + 1;
        });
        ksort($calendars);
        foreach (array_keys($calendars) as $calendarId) {
            Change::of($calendarId);
        }
    }

    /**
     * What another year, or other closures, would make of them from a day on, as far as the index reaches.
     *
     * @return array{int, array<int, array{int, int}>} how many series change, and by day number how many times would go and how many come
     */
    public function preview(SchoolYear $year, ?int $closures, int $from): array
    {
        $horizon = OccurrenceHorizon::current();
        $would = [];
        $changing = 0;
        $days = [];
        $this->series(function (EventRecord $head) use ($year, $closures, $from, $horizon, &$would, &$changing, &$days): void {
            $series = $this->translator->times($head);
            $within = $series->master?->timing->recurrence->within;
            if ($within === null) {
                return;
            }
            $then = $would[$within->weeks->value] ??= $this->days->wouldBe($within->weeks, $year, $closures);
            $starts = static fn (Series $each): array => array_map(static fn (Occurrence $occurrence): int => CivilDate::floorDiv($occurrence->start->local->seconds, CivilDate::SECONDS_PER_DAY), $each->occurrences($from * CivilDate::SECONDS_PER_DAY, $horizon->to));
            [$before, $after] = [$starts($series), $starts(self::kept($series, $then))];
            $changing += $before === $after ? 0 : 1;
            foreach ([0 => array_diff($before, $after), 1 => array_diff($after, $before)] as $kind => $some) {
                foreach ($some as $day) {
                    $days[$day] ??= [0, 0];
                    $days[$day][$kind]++;
                }
            }
        });
        ksort($days);

        return [$changing, $days];
    }

    private static function kept(Series $series, TeachingDays $days): Series
    {
        return $series->each(static fn (Event $event): Event => $event->repeating($event->timing->recurrence->keptTo($event->timing->recurrence->within === null ? null : $days)));
    }

    /** @param  Closure(EventRecord): void  $do */
    private function series(Closure $do): void
    {
        EventRecord::query()->whereNull('series_id')->where('repeats', true)
            ->where(static fn (Builder $any) => collect(TermWeeks::cases())->each(static fn (TermWeeks $weeks) => $any->orWhere('recurrence', 'like', '%'.RecurrenceText::WEEKS.":{$weeks->value}")))
            ->with(['overrides', 'pins'])->chunkById(self::AT_ONCE, static fn ($heads) => $heads->each($do));
    }
}
