<?php

namespace App\Events\Read;

use App\Directory\GroupMemberships;
use App\Events\EventRecord;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\PartyKind;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Time\TimeKind;

/** What filters may ask of an event that is read whole, such as of one that is no longer there. */
final class FactsOfEvent
{
    public function __construct(private readonly GroupMemberships $memberships)
    {
    }

    /** Of one that is seen in full, on the calendar of its head. Its pins must be loaded. */
    public function of(EventRecord $head, Event $event): EventFacts
    {
        $contents = $event->contents;
        $taking = array_filter($event->participants, static fn (Participant $each): bool => $each->role !== ParticipantRole::Informed);
        $people = self::ids($taking, PartyKind::Person);
        $groups = self::ids($taking, PartyKind::Group);
        $joined = $head->pins->where('joined', true)->pluck('pinned_by')->filter()->all();

        return new EventFacts(
            $head->calendar_id, false, array_map(mb_strtolower(...), $contents->categories), EventFacts::textOf($contents->title, $contents->place, $contents->description), $head->created_by,
            self::ids(array_filter($taking, static fn (Participant $each): bool => $each->role === ParticipantRole::Responsible), PartyKind::Person),
            array_values([...$people, ...($groups === [] ? [] : array_merge(...array_values($this->memberships->peopleIn($groups)))), ...$joined]),
            $contents->status, $event->timing->start->kind === TimeKind::Date, $contents->busy, $contents->place,
        );
    }

    /**
     * @param  array<Participant>  $participants
     * @return list<int>
     */
    private static function ids(array $participants, PartyKind $kind): array
    {
        $ids = [];
        foreach ($participants as $each) {
            if ($each->party?->kind === $kind) {
                $ids[] = $each->party->id;
            }
        }

        return $ids;
    }
}
