<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\ForeignContent;
use PinnedRota\Core\ICalendar\Property;

/** Where an event meets online: its first CONFERENCE that a browser opens (RFC 7986, 5.11). */
final class MeetingLink
{
    /** By this label one that was made here is known, and made anew for a copy. */
    private const LABEL = 'Join the meeting';

    private const PROPERTY = 'CONFERENCE';

    public static function of(Event $event): ?string
    {
        foreach (EventLink::of($event->foreign) as $link) {
            if ($link->kind === 'conference' && preg_match('#^https?://#i', $link->address) === 1) {
                return $link->address;
            }
        }

        return null;
    }

    /** Whether it was made here, and not brought by a file. */
    public static function isOwn(Event $event): bool
    {
        $address = self::of($event);
        foreach ($event->foreign->properties as $property) {
            if ($property->name === self::PROPERTY && trim($property->value) === $address) {
                return $property->parameter('LABEL') === self::LABEL;
            }
        }

        return false;
    }

    /** The same event that meets elsewhere, or nowhere; by what else a file names, such as a telephone, it still does. */
    public static function put(Event $event, ?string $address): Event
    {
        $before = self::of($event);
        if ($before === $address) {
            return $event;
        }
        $rest = new ForeignContent(array_values(array_filter($event->foreign->properties, static fn (Property $each): bool => $each->name !== self::PROPERTY || trim($each->value) !== $before)), $event->foreign->components);

        return $event->with(foreign: $address === null ? $rest : $rest->with(new Property(self::PROPERTY, $address, ['VALUE' => ['URI'], 'FEATURE' => ['AUDIO', 'VIDEO'], 'LABEL' => [self::LABEL]])));
    }
}
