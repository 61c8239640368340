<?php

namespace App\Reminders;

use App\Outbox\NothingToSend;
use App\Outbox\OutboxLetter;
use App\Outbox\WritesLetters;
use App\Outbox\WrittenLetter;
use Illuminate\Contracts\View\Factory;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\WhenWords;
use PinnedRota\Core\Time\Zone;

/** The letter that reminds somebody: of what they see when it is sent, at the time at which it is then. */
final class ReminderWriter implements WritesLetters
{
    /** By so many seconds it is not said to be late. */
    private const PATIENCE = 300;

    public function __construct(private readonly RemindedOf $reminded, private readonly Factory $views)
    {
    }

    public function write(OutboxLetter $letter): WrittenLetter
    {
        $person = $letter->person;
        if ($person === null || ! $person->isActive()) {
            throw new NothingToSend('They are no longer active.');
        }
        $zone = Zone::of($person->timezone);
        $seen = $this->reminded->find($letter->about ?? [], $person) ?? throw new NothingToSend('It is not at that time any more, or they do not see it.');
        $occurrence = $seen->occurrence;
        [$start, $end] = $occurrence->on($zone);
        if ($occurrence->status === Status::Cancelled) {
            throw new NothingToSend('It is called off.');
        }
        if ($zone->toUtc($end->seconds) <= now()->getTimestamp()) {
            throw new NothingToSend('It is over.');
        }
        $at = static fn (LocalDateTime $time): EventTime => $occurrence->kind === TimeKind::Date ? EventTime::date($time) : EventTime::floating($time);
        $words = [
            'title' => $occurrence->title, 'when' => WhenWords::between($at($start), $at($end)), 'place' => $occurrence->place, 'leave' => RemindedOf::leave($seen, $zone),
            'isLate' => now()->getTimestamp() - (int) ($letter->about['moment'] ?? 0) > self::PATIENCE,
            'url' => url('/').'?'.http_build_query(['date' => $start->toDate(), 'event' => $occurrence->seriesId] + ($occurrence->recurrenceId === null ? [] : ['occurrence' => $occurrence->recurrenceId])),
        ];

        return new WrittenLetter(
            address: $person->email, name: $person->name, from: (string) config('mail.from.name'), subject: "{$occurrence->title}, {$words['when']}",
            text: $this->views->make('letters.reminder-text', $words)->render(), html: $this->views->make('letters.reminder', $words)->render(), thread: "event-{$occurrence->seriesId}",
        );
    }
}
