<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\Property;

/** A property of our own (RFC 5545, 3.8.8.2), by which a file keeps what no standard one says of an event. Where there are several of a name, the first counts. */
final class OwnProperty
{
    public static function of(Event $event, string $name): ?string
    {
        $value = trim($event->foreign->first($name)->value ?? '');

        return $value === '' ? null : $value;
    }

    /** @param  ?string  $value  null takes it away */
    public static function put(Event $event, string $name, ?string $value): Event
    {
        if (self::of($event, $name) === $value) {
            return $event;
        }
        $rest = $event->foreign->without($name);

        return $event->with(foreign: $value === null ? $rest : $rest->with(new Property($name, $value)));
    }
}
