<?php

namespace App\Participants;

use App\Changes\Change;
use App\Directory\GroupMemberships;
use App\Events\Write\EventsChanged;
use App\Events\Write\SeriesState;

/** Tells those who are asked to take part from now on, or no longer, that what waits for them is another: within the transaction of the change. */
final class TellAsked
{
    public function __construct(private readonly GroupMemberships $memberships)
    {
    }

    public function handle(EventsChanged $changed): void
    {
        $told = $groups = [];
        foreach ($changed->series as $series) {
            [$before, $after] = [self::people($series->before), self::people($series->after)];
            array_push($told, ...array_diff($after, $before), ...array_diff($before, $after));
            [$before, $after] = [self::groups($series->before), self::groups($series->after)];
            array_push($groups, ...array_diff($after, $before), ...array_diff($before, $after));
        }
        if ($groups !== []) {
            array_push($told, ...array_merge(...array_values($this->memberships->peopleIn(array_values(array_unique($groups))))));
        }
        if ($told !== []) {
            Change::ofAccess($told);
        }
    }

    /** @return list<int> ids of the groups that take part in any of its times */
    private static function groups(?SeriesState $state): array
    {
        return $state === null || $state->isDeleted() ? [] : array_values(array_unique(array_map(intval(...), array_filter(array_column($state->participants, 'group_id')))));
    }

    /** @return list<int> ids of those who take part in any of its times */
    private static function people(?SeriesState $state): array
    {
        return $state === null || $state->isDeleted() ? [] : array_values(array_filter(array_map(static fn (array $row): int => $row['organizer'] ? 0 : (int) $row['person_id'], $state->participants)));
    }
}
