<?php

namespace App\Reminders;

use App\Outbox\LetterKind;
use App\Outbox\Outbox;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Notices\ReminderMoment;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** Puts reminders into the outbox whose moment has come: each once, also where several look at once. */
final class DueReminders
{
    /** What was missed by more than this is not made up for, in minutes. */
    private const LATEST = 1440;

    /** So far a wall may be from UTC, in minutes. */
    private const ZONES = 900;

    public function __construct(private readonly Outbox $outbox)
    {
    }

    /** @return int how many */
    public function run(): int
    {
        $now = now()->getTimestamp();
        $count = 0;
        foreach ($this->candidates() as $row) {
            $starts = (int) strtotime("{$row->starts_at} UTC");
            $zone = Zone::of($row->timezone);
            $moment = ReminderMoment::of(new LocalDateTime($row->time_kind === TimeKind::Zoned->value ? $zone->toLocal($starts) : $starts), $zone, (int) $row->minutes, (int) $row->travel_minutes);
            if ($moment > $now || $moment <= $now - self::LATEST * 60 || $moment < (int) strtotime("{$row->created_at} UTC")) {
                continue;
            }
            $count += DB::transaction(function () use ($row, $moment): int {
                if (DB::table('reminders_sent')->insertOrIgnore(['reminder_id' => $row->id, 'recurrence_id' => (string) $row->recurrence_id, 'starts_at' => $row->starts_at]) === 0) {
                    return 0;
                }
                $this->outbox->put(LetterKind::Reminder, [[
                    'slot' => null, 'address' => mb_strtolower($row->email), 'person_id' => $row->person_id, 'about' => ['series' => $row->event_id, 'occurrence' => $row->recurrence_id, 'starts' => $row->starts_at, 'moment' => $moment],
                ]], now());

                return 1;
            });
        }

        return $count;
    }

    /** @return iterable<object> of the times within reach, each with who is to be reminded */
    private function candidates(): iterable
    {
        return DB::table('own_reminders as r')->join('people as p', 'p.id', '=', 'r.person_id')->join('occurrences as o', 'o.series_id', '=', 'r.event_id')->join('events as e', 'e.id', '=', 'o.event_id')
            ->where('p.status', 'active')->whereRaw('o.starts_at > DATE_ADD(?, INTERVAL r.minutes MINUTE)', [now()->subMinutes(self::LATEST + self::ZONES)])->whereRaw('o.starts_at < DATE_ADD(?, INTERVAL r.minutes + COALESCE(e.travel_minutes, 0) MINUTE)', [now()->addMinutes(self::ZONES)])
            ->whereNotExists(static fn ($sent) => $sent->from('reminders_sent as s')->whereColumn('s.reminder_id', 'r.id')->whereRaw("s.recurrence_id = COALESCE(o.recurrence_id, '')")->whereColumn('s.starts_at', 'o.starts_at'))
            ->distinct()->orderBy('r.id')->orderBy('o.starts_at')->get(['r.id', 'r.person_id', 'r.event_id', 'r.minutes', 'r.created_at', 'p.timezone', 'p.email', 'o.recurrence_id', 'o.starts_at', 'e.time_kind', 'e.travel_minutes']);
    }
}
