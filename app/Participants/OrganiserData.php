<?php

namespace App\Participants;

use App\Directory\Person;
use App\Events\EventRecord;
use PinnedRota\Core\Events\Event;

/** Whoever asks those who take part. */
final readonly class OrganiserData
{
    /**
     * @param  bool  $chosen  Whether the event says so; else it is who added it
     */
    public function __construct(
        public ?int $id,
        public string $name,
        public bool $chosen,
    ) {
    }

    /** Who added the event, unless it says otherwise. */
    public static function of(EventRecord $head, Event $event): ?self
    {
        $said = $event->organizer;
        $id = $said === null ? $head->created_by : $said->party?->id;
        $person = $id === null ? null : Person::query()->find($id);

        return match (true) {
            $person !== null => new self($person->id, $person->name, $said !== null),
            $said !== null => new self(null, EventParticipantData::written($said), true),
            default => null,
        };
    }
}
