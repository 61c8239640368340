<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** From when on those are asked who are to take part: an event may say so, else its calendar does. */
enum AskWhen: string
{
    private const PROPERTY = 'X-ROTA-ASK';

    /** Once it is confirmed. */
    case Confirmed = 'confirmed';

    /** While it is still provisional, too. */
    case Provisional = 'provisional';

    /** @return ?self null where the event leaves it to its calendar */
    public static function of(Event $event): ?self
    {
        return self::tryFrom(strtolower(OwnProperty::of($event, self::PROPERTY) ?? ''));
    }

    public static function put(Event $event, ?self $when): Event
    {
        return OwnProperty::put($event, self::PROPERTY, $when === null ? null : strtoupper($when->value));
    }

    /** Whether an event asks anybody, as it stands. What is called off asks nobody. */
    public static function asks(Event $event, self $ofCalendar): bool
    {
        return match ($event->contents->status) {
            Status::Confirmed => true,
            Status::Provisional => (self::of($event) ?? $ofCalendar) === self::Provisional,
            Status::Cancelled => false,
        };
    }
}
