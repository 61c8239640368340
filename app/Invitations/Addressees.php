<?php

namespace App\Invitations;

use App\Events\Write\SeriesState;
use PinnedRota\Core\Events\ParticipantKind;

/** Who is told by mail of what becomes of a series: those who are asked to it, by who asks them. */
final class Addressees
{
    /**
     * Those who are asked themselves; for the groups see groups().
     *
     * @return array<string, ?int> ids of people by their address; null of those whom the directory does not know. Whoever asks them is not among
     *                             them, and nobody is where somebody elsewhere asks: that is for them to tell
     */
    public static function of(?SeriesState $state): array
    {
        if ($state === null || self::isAskedElsewhere($state)) {
            return [];
        }
        $organizer = self::organizer($state);
        $addresses = [];
        foreach ($state->participants as $row) {
            if ($row['organizer'] || ($row['kind'] !== ParticipantKind::Person->value && $row['person_id'] === null) || ($row['person_id'] !== null && $row['person_id'] === $organizer)) {
                continue;
            }
            $address = strncasecmp((string) $row['address'], 'mailto:', 7) === 0 ? mb_strtolower(rawurldecode(substr((string) $row['address'], 7))) : '';
            if (filter_var($address, FILTER_VALIDATE_EMAIL) !== false && strlen($address) <= 190) {
                $addresses[$address] = $row['person_id'] === null ? null : (int) $row['person_id'];
            }
        }

        return $addresses;
    }

    /** @return ?int the person who asks: who is named, else who added it */
    public static function organizer(SeriesState $state): ?int
    {
        $named = array_values(array_filter($state->participants, static fn (array $row): bool => (bool) $row['organizer']))[0] ?? null;

        return $named === null ? $state->authorId() : (int) $named['person_id'];
    }

    /** @return list<int> ids of the groups that are asked, by somebody here */
    public static function groups(?SeriesState $state): array
    {
        return $state === null || self::isAskedElsewhere($state) ? [] : array_values(array_unique(array_map(intval(...), array_filter(array_column($state->participants, 'group_id')))));
    }

    private static function isAskedElsewhere(SeriesState $state): bool
    {
        return array_filter($state->participants, static fn (array $row): bool => $row['organizer'] && $row['person_id'] === null) !== [];
    }
}
