<?php

namespace App\OneLine;

use App\Organisation\Organisation;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\OneLine\NamedDay;
use PinnedRota\Core\SchoolYear\SchoolDateWords;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/** The days that go by a name: of the school’s year, and on some calendars whole-day events that are ahead, each by its first time. */
final class NamedDays
{
    private const DAYS_AHEAD = 400;

    private const MOST = 500;

    private const LONGEST_NAME = 40;

    public function __construct(private readonly Organisation $organisation)
    {
    }

    /**
     * @param  list<int>  $calendarIds  of which the viewer sees what is on
     * @return list<NamedDay>
     */
    public function of(array $calendarIds): array
    {
        $ofYear = [];
        foreach (SchoolDateWords::named(intdiv(now()->getTimestamp(), CivilDate::SECONDS_PER_DAY), $this->organisation->settings()->year()) as $name => [$first, $last]) {
            // The name of a term alone is a season, or whatever else.
            if (preg_match('/half|of/', $name) === 1) {
                $ofYear[] = new NamedDay($name, LocalDateTime::midnight($first), $last - $first + 1);
            }
        }

        return [...$ofYear, ...DB::table('events')->whereIntegerInRaw('calendar_id', $calendarIds)->where('time_kind', 'date')->where('repeats', false)->where('private', false)->where('status', '!=', 'cancelled')
            ->whereNull('deleted_at')->whereRaw('CHAR_LENGTH(title) BETWEEN 3 AND ?', [self::LONGEST_NAME])
            ->where('starts_local', '>=', now()->startOfDay())->where('starts_local', '<', now()->addDays(self::DAYS_AHEAD))
            ->orderBy('starts_local')->limit(self::MOST)->get(['title', 'starts_local', 'ends_local'])
            ->unique(fn (object $event): string => mb_strtolower(trim($event->title)))
            ->map(function (object $event): NamedDay {
                $first = LocalDateTime::parse(substr($event->starts_local, 0, 10));

                return new NamedDay(trim($event->title), $first, max(1, LocalDateTime::parse(substr($event->ends_local, 0, 10))->day() - $first->day()));
            })->values()->all()];
    }
}
