<?php

namespace App\Participants;

use App\Directory\Person;
use App\Events\EventRecord;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\PartyKind;

/** Who takes part in an event, as the API tells it. */
final class ParticipantsJson
{
    /** @return list<array{id: ?int, name: string, kind: string, part: string, answer: string}> */
    public static function tell(Event $event): array
    {
        $names = self::names(array_map(static fn (Participant $each): ?Party => $each->party, $event->participants));

        return array_map(static fn (Participant $each): array => [
            'id' => $each->party?->id,
            'name' => ($each->party === null ? null : $names[$each->party->kind->value][$each->party->id] ?? null) ?? self::name($each),
            'kind' => $each->party?->kind->value ?? 'other',
            'part' => strtolower($each->role->name),
            'answer' => strtolower($each->answer->name),
        ], $event->participants);
    }

    /** @return ?array{id: ?int, name: string, chosen: bool} whoever asks the others: who added the event, unless it says otherwise */
    public static function organiser(EventRecord $head, Event $event): ?array
    {
        $said = $event->organizer;
        $id = $said === null ? $head->created_by : $said->party?->id;
        $person = $id === null ? null : Person::query()->find($id);

        return match (true) {
            $person !== null => ['id' => $person->id, 'name' => $person->name, 'chosen' => $said !== null],
            $said !== null => ['id' => null, 'name' => self::name($said), 'chosen' => true],
            default => null,
        };
    }

    /**
     * What they are called in the directory now.
     *
     * @param  list<?Party>  $parties
     * @return array<string, array<int, string>> by kind and id
     */
    private static function names(array $parties): array
    {
        $ids = [];
        foreach (array_filter($parties) as $party) {
            $ids[$party->kind->value][] = $party->id;
        }

        $names = [];
        foreach ($ids as $kind => $some) {
            $names[$kind] = Parties::query(PartyKind::from($kind))->whereKey($some)->pluck('name', 'id')->all();
        }

        return $names;
    }

    private static function name(Participant $participant): string
    {
        return $participant->name !== '' ? $participant->name : ($participant->mailAddress() !== '' ? $participant->mailAddress() : $participant->address);
    }
}
