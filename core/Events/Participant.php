<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** Somebody, or something, that takes part in an event (ATTENDEE, RFC 5545, 3.8.4.1). */
final readonly class Participant
{
    /**
     * @param  string  $address  a URI, most often `mailto:…`
     * @param  string  $name  empty where none is given
     * @param  array<string, list<string>>  $parameters  what else the file says, kept for writing
     */
    public function __construct(
        public string $address,
        public string $name = '',
        public ParticipantKind $kind = ParticipantKind::Person,
        public ParticipantRole $role = ParticipantRole::Required,
        public ParticipantAnswer $answer = ParticipantAnswer::Unanswered,
        public bool $asked = false,
        public array $parameters = [],
    ) {
    }

    /** The mail address in lower case; empty where the address is no mail address. */
    public function mailAddress(): string
    {
        return strncasecmp($this->address, 'mailto:', 7) === 0 ? strtolower(rawurldecode(substr($this->address, 7))) : '';
    }
}
