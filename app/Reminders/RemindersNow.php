<?php

namespace App\Reminders;

use App\Access\Perspective;
use App\Directory\Person;
use App\Outbox\LetterKind;
use App\Outbox\OutboxLetter;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** Of what somebody is reminded now, beside the letters of it: what whoever has the product open is told there. */
final class RemindersNow
{
    /** So many seconds one is told there. */
    private const LASTS = 600;

    public function __construct(private readonly RemindedOf $reminded)
    {
    }

    /** @return list<ReminderNowData> the newest first */
    public function of(Person $person, Perspective $perspective): array
    {
        $zone = Zone::of($person->timezone);
        $told = [];
        foreach (OutboxLetter::query()->where('person_id', $person->id)->where('kind', LetterKind::Reminder)->where('created_at', '>', now()->subSeconds(self::LASTS))->orderByDesc('id')->get() as $letter) {
            $seen = $this->reminded->find($letter->about ?? [], $person);
            $calendar = $seen === null ? null : $perspective->calendars[$seen->occurrence->calendarId] ?? null;
            if ($seen === null || $calendar === null || RemindedOf::isPast($seen, $zone)) {
                continue;
            }
            $occurrence = $seen->occurrence;
            [$start, $end] = $occurrence->written($zone);
            $told[] = new ReminderNowData($letter->id, $occurrence->seriesId, $occurrence->recurrenceId, $calendar->calendar->slug, $occurrence->title, $start, $end, $occurrence->kind === TimeKind::Date, $occurrence->place, RemindedOf::leave($seen, $zone));
        }

        return $told;
    }
}
