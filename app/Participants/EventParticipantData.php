<?php

namespace App\Participants;

use App\Directory\GroupMemberships;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Invitations\EventInvitation;
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
     * @param  'unanswered'|'accepted'|'declined'|'tentative'|'delegated'|'waiting'  $answer
     * @param  ?string  $address  The mail address of somebody whom the directory does not know, for those who may change the event
     * @param  string  $note  What they wrote with their answer, for those who may change the event
     * @param  ?int  $memberOf  The group by which they are asked, where they are not asked themselves
     * @param  ?int  $size  How many are in a group
     * @param  ?string  $bounce  Why the last letter to them did not arrive, for those who may change the event
     */
    public function __construct(
        public ?int $id,
        public string $kind,
        public string $name,
        public string $part,
        public string $answer,
        public ?string $address,
        public string $note,
        public ?string $bounce,
        public ?int $memberOf,
        public ?int $size,
    ) {
    }

    /**
     * Somebody or something that is to take part.
     *
     * @param  'person'|'group'|'room'  $kind
     * @param  'responsible'|'required'|'optional'|'informed'  $part
     */
    public static function named(int $id, string $kind, string $name, string $part): self
    {
        return new self($id, $kind, $name, $part, 'unanswered', null, '', null, null, $kind === PartyKind::Group->value ? self::sizes([$id])[$id] ?? 0 : null);
    }

    /**
     * @param  bool  $mayChange  whether they are told to somebody who may change the event
     * @return list<self>
     */
    public static function ofEvent(EventRecord $head, Event $event, bool $mayChange): array
    {
        $names = self::names(array_map(static fn (Participant $each): ?Party => $each->party, $event->participants));
        $sizes = self::sizes(array_values(array_filter(array_map(static fn (Participant $each): ?int => $each->party?->kind === PartyKind::Group ? $each->party->id : null, $event->participants))));
        $bounces = $mayChange && $event->participants !== [] ? EventInvitation::query()->where('event_id', $head->id)->whereNotNull('bounced_at')->get() : collect();
        $bounce = static fn (Participant $each): ?string => $bounces->first(static fn (EventInvitation $of): bool => $of->participant()->is($each))?->bounce;

        return array_map(static fn (Participant $each): self => new self(
            $each->party?->id,
            $each->party?->kind->value ?? 'other',
            ($each->party === null ? null : $names[$each->party->kind->value][$each->party->id] ?? null) ?? self::written($each),
            strtolower($each->role->name),
            strtolower($each->answer->name),
            $mayChange && $each->party === null && $each->mailAddress() !== '' ? $each->mailAddress() : null,
            $mayChange ? $each->note : '',
            $bounce($each),
            $each->memberOf?->id,
            $each->party?->kind === PartyKind::Group ? $sizes[$each->party->id] ?? 0 : null,
        ), $event->participants);
    }

    /**
     * @param  list<int>  $groups  ids
     * @return array<int, int> how many active people are in each
     */
    private static function sizes(array $groups): array
    {
        if ($groups === []) {
            return [];
        }
        $people = app(GroupMemberships::class)->peopleIn($groups);
        $active = Person::query()->where('status', 'active')->whereIntegerInRaw('id', array_unique(array_merge(...array_values($people))))->pluck('id')->all();

        return array_map(static fn (array $ids): int => count(array_intersect($ids, $active)), $people);
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
