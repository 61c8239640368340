<?php

namespace App\Participants;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\PartyKind;

/** Who or what takes part in an event. */
final readonly class EventParticipantData
{
    /**
     * @param  ?int  $id  Where they are in the directory
     * @param  'person'|'group'|'room'|'other'  $kind
     * @param  'responsible'|'required'|'optional'|'informed'  $part
     * @param  'unanswered'|'accepted'|'declined'|'tentative'|'delegated'  $answer
     */
    public function __construct(
        public ?int $id,
        public string $kind,
        public string $name,
        public string $part,
        public string $answer,
    ) {
    }

    /** @return list<self> */
    public static function ofEvent(Event $event): array
    {
        $names = self::names(array_map(static fn (Participant $each): ?Party => $each->party, $event->participants));

        return array_map(static fn (Participant $each): self => new self(
            $each->party?->id,
            $each->party?->kind->value ?? 'other',
            ($each->party === null ? null : $names[$each->party->kind->value][$each->party->id] ?? null) ?? self::written($each),
            strtolower($each->role->name),
            strtolower($each->answer->name),
        ), $event->participants);
    }

    /** As the event itself calls them. */
    public static function written(Participant $participant): string
    {
        return $participant->name !== '' ? $participant->name : ($participant->mailAddress() !== '' ? $participant->mailAddress() : $participant->address);
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
}
