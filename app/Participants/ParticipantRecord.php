<?php

namespace App\Participants;

use Illuminate\Database\Eloquent\Model;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantKind;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\PartyKind;

/**
 * Somebody, or something, that takes part in an event; or whoever asks the others.
 *
 * @property int $id
 * @property int $event_id the row of the event: the head, or a changed occurrence
 * @property int $position
 * @property bool $organizer
 * @property ?int $person_id
 * @property ?int $group_id
 * @property ?int $room_id
 * @property string $address a URI
 * @property string $name
 * @property ParticipantKind $kind
 * @property ParticipantRole $role
 * @property ParticipantAnswer $answer
 * @property bool $asked
 * @property ?array<string, list<string>> $parameters
 * @property string $note what they wrote with their answer
 * @property ?int $member_of the group by which they are asked, where they are not themselves
 */
final class ParticipantRecord extends Model
{
    public $timestamps = false;

    protected $table = 'event_participants';

    protected $guarded = [];

    /** The party as the columns of a row name it; null where they name none. */
    public static function party(?int $personId, ?int $groupId, ?int $roomId): ?Party
    {
        return match (true) {
            $personId !== null => Party::person($personId),
            $groupId !== null => Party::group($groupId),
            $roomId !== null => Party::room($roomId),
            default => null,
        };
    }

    /**
     * What is stored of those who take part in an event.
     *
     * @return list<array<string, mixed>> as columns() tells them
     */
    public static function rows(Event $event, Parties $parties): array
    {
        $rows = [];
        foreach ([...($event->organizer === null ? [] : [[$event->organizer, true]]), ...array_map(static fn (Participant $each): array => [$each, false], $event->participants)] as $position => [$participant, $isOrganizer]) {
            $party = $parties->of($participant);
            $rows[] = [
                'position' => $position, 'organizer' => $isOrganizer,
                'person_id' => $party?->kind === PartyKind::Person ? $party->id : null,
                'group_id' => $party?->kind === PartyKind::Group ? $party->id : null,
                'room_id' => $party?->kind === PartyKind::Room ? $party->id : null,
                'address' => $participant->address, 'name' => $participant->name, 'kind' => $participant->kind->value, 'role' => $participant->role->value,
                'answer' => $participant->answer->value, 'asked' => $participant->asked,
                'parameters' => $participant->parameters === [] ? null : json_encode($participant->parameters, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                'note' => $participant->note, 'member_of' => $participant->memberOf?->id,
            ];
        }

        return $rows;
    }

    /** @return array<string, mixed> the row, but for its ids */
    public function columns(): array
    {
        return [
            'position' => $this->position, 'organizer' => $this->organizer, 'person_id' => $this->person_id, 'group_id' => $this->group_id, 'room_id' => $this->room_id,
            'address' => $this->address, 'name' => $this->name, 'kind' => $this->kind->value, 'role' => $this->role->value, 'answer' => $this->answer->value,
            'asked' => $this->asked, 'parameters' => $this->getRawOriginal('parameters'), 'note' => $this->note, 'member_of' => $this->member_of,
        ];
    }

    public function participant(): Participant
    {
        return new Participant(
            $this->address, $this->name, $this->kind, $this->role, $this->answer, $this->asked, $this->parameters ?? [],
            self::party($this->person_id, $this->group_id, $this->room_id), $this->note,
            $this->member_of === null ? null : Party::group($this->member_of),
        );
    }

    protected function casts(): array
    {
        return [
            'organizer' => 'boolean', 'asked' => 'boolean', 'parameters' => 'array',
            'kind' => ParticipantKind::class, 'role' => ParticipantRole::class, 'answer' => ParticipantAnswer::class,
        ];
    }
}
