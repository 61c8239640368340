<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** What an event gives those who are asked to it beyond being asked. */
enum GuestRight: string
{
    private const PROPERTY = 'X-ROTA-GUESTS';

    /** Asking others to it, too. */
    case Bring = 'bring';

    /** Seeing who else is asked, also where its calendar is not open to them. */
    case See = 'see';

    /** Changing it, though neither deleting it nor putting it elsewhere. */
    case Change = 'change';

    /** @return list<self> */
    public static function of(Event $event): array
    {
        $written = array_map(trim(...), explode(',', strtolower(OwnProperty::of($event, self::PROPERTY) ?? '')));

        return array_values(array_filter(self::cases(), static fn (self $each): bool => in_array($each->value, $written, true)));
    }

    /** Whether an event gives it: whoever may change it sees who is asked to it. */
    public function isGivenBy(Event $event): bool
    {
        $given = self::of($event);

        return in_array($this, $given, true) || ($this === self::See && in_array(self::Change, $given, true));
    }

    /** @param  list<self>  $rights */
    public static function put(Event $event, array $rights): Event
    {
        $names = array_map(static fn (self $each): string => $each->value, array_filter(self::cases(), static fn (self $each): bool => in_array($each, $rights, true)));

        return OwnProperty::put($event, self::PROPERTY, $names === [] ? null : strtoupper(implode(',', $names)));
    }
}
