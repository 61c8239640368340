<?php

namespace App\Reminders;

use App\Access\AccessReader;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\Scope;
use App\Events\Read\SeenOccurrence;
use App\Events\Read\SeenOccurrences;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Finds the time of an event of which somebody is to be reminded, as they see it now. */
final class RemindedOf
{
    public function __construct(private readonly SeenOccurrences $occurrences, private readonly AccessReader $access)
    {
    }

    /**
     * @param  array<string, mixed>  $about  as DueReminders has put it into the outbox
     * @return ?SeenOccurrence null where they do not see it in full, or it is at another time
     */
    public function find(array $about, Person $person): ?SeenOccurrence
    {
        $perspective = $this->access->eyesOf($person);
        $starts = Carbon::parse((string) ($about['starts'] ?? ''), 'UTC')->getTimestamp();
        $day = LocalDateTime::midnight((new LocalDateTime($starts))->day());
        foreach ($this->occurrences->in($perspective, new Scope($perspective->calendars->keys()->all(), $day->plusDays(-1), $day->plusDays(2), Zone::of($person->timezone), seriesIds: [(int) ($about['series'] ?? 0)])) as $each) {
            if ($each->isFull && $each->occurrence->starts === $starts && $each->occurrence->recurrenceId === ($about['occurrence'] ?? null)) {
                return $each;
            }
        }

        return null;
    }

    /** @return ?string when one leaves for it, as the clock of somebody shows it: HH:MM; null where the way takes no time */
    public static function leave(SeenOccurrence $seen, Zone $zone): ?string
    {
        $minutes = (int) EventRecord::query()->whereKey($seen->occurrence->eventId)->value('travel_minutes');

        return $minutes === 0 ? null : substr((new LocalDateTime($seen->occurrence->on($zone)[0]->seconds - 60 * $minutes))->toMinute(), 11);
    }

    /** Whether it is called off, or over: nobody is reminded of that any more. */
    public static function isPast(SeenOccurrence $seen, Zone $zone): bool
    {
        return $seen->occurrence->status === Status::Cancelled || $zone->toUtc($seen->occurrence->on($zone)[1]->seconds) <= now()->getTimestamp();
    }
}
