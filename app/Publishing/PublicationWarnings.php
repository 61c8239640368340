<?php

namespace App\Publishing;

use App\Directory\Person;
use App\Events\EventRecord;
use App\Overlays\SheetItem;
use PinnedRota\Core\Publishing\NamesInText;

/** What would go out of events that whoever publishes them may not think of: names in titles and places, and notes. */
final class PublicationWarnings
{
    private const EXAMPLES = 3;

    /**
     * @param  list<SheetItem>  $items  as they are told
     * @return list<PublicationWarningData>
     */
    public function of(Publication $publication, array $items): array
    {
        $detail = $publication->detail;
        $events = [];
        foreach ($items as $item) {
            if ($item->seen->isFull) {
                $events[$item->seen->occurrence->eventId] ??= $item->seen;
            }
        }
        if (! $detail->tellsWhat() || $events === []) {
            return [];
        }
        $names = new NamesInText(Person::query()->where('status', 'active')->pluck('name'));
        $warnings = [$this->named('title', array_map(static fn ($seen): string => $seen->occurrence->title, $events), $names)];
        if ($detail->tellsWhere()) {
            $warnings[] = $this->named('place', array_map(static fn ($seen): string => $seen->occurrence->place, $events), $names);
        }
        if ($detail->tellsWho()) {
            $people = array_filter(array_map(static fn ($seen): array => $seen->responsible, $events));
            $warnings[] = new PublicationWarningData('responsible', count($people), self::few(array_merge([], ...array_values($people))), []);
        }
        if ($detail->tellsNotes()) {
            $noted = EventRecord::query()->whereKey(array_keys($events))->where('description', '!=', '')->pluck('title');
            $warnings[] = new PublicationWarningData('notes', $noted->count(), [], self::few($noted->all()));
        }

        return array_values(array_filter($warnings, static fn (PublicationWarningData $each): bool => $each->count > 0));
    }

    /** @param  array<int, string>  $texts  by event */
    private function named(string $where, array $texts, NamesInText $names): PublicationWarningData
    {
        $found = array_filter(array_map($names->in(...), $texts));

        return new PublicationWarningData($where, count($found), self::few(array_merge([], ...array_values($found))), self::few(array_intersect_key($texts, $found)));
    }

    /**
     * @param  array<array-key, string>  $all
     * @return list<string>
     */
    private static function few(array $all): array
    {
        return array_slice(array_values(array_unique($all)), 0, self::EXAMPLES);
    }
}
