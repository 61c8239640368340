<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** Somebody, or something, that takes part in an event (ATTENDEE, RFC 5545, 3.8.4.1). */
final readonly class Participant
{
    /** Since when somebody waits for a place (see Places): UTC, as RFC 3339 writes it. */
    public const SINCE = 'X-ROTA-SINCE';

    /**
     * @param  string  $address  a URI, most often `mailto:…`
     * @param  string  $name  empty where none is given
     * @param  bool  $asked  whether an answer is asked of them (RSVP)
     * @param  array<string, list<string>>  $parameters  what else the file says, kept for writing
     * @param  ?Party  $party  whom of the directory it is; null for others
     * @param  string  $note  what they wrote with their answer
     * @param  ?Party  $memberOf  the group by which they are asked, where they are not asked themselves (MEMBER): they are among those who take part once they have answered
     */
    public function __construct(
        public string $address,
        public string $name = '',
        public ParticipantKind $kind = ParticipantKind::Person,
        public ParticipantRole $role = ParticipantRole::Required,
        public ParticipantAnswer $answer = ParticipantAnswer::Unanswered,
        public bool $asked = false,
        public array $parameters = [],
        public ?Party $party = null,
        public string $note = '',
        public ?Party $memberOf = null,
    ) {
    }

    /** Somebody or something of the directory, to be found among those who take part. */
    public static function standingFor(Party $party): self
    {
        return new self('', party: $party);
    }

    /** Who is responsible need not be asked. */
    public static function ofPerson(int $id, string $mailAddress, string $name, ParticipantRole $role): self
    {
        $answer = $role === ParticipantRole::Responsible ? ParticipantAnswer::Accepted : ParticipantAnswer::Unanswered;

        return new self("mailto:{$mailAddress}", $name, ParticipantKind::Person, $role, $answer, party: Party::person($id));
    }

    public static function ofGroup(int $id, string $name, ParticipantRole $role): self
    {
        return new self(Party::group($id)->address(), $name, ParticipantKind::Group, $role, party: Party::group($id));
    }

    /** A room need not be asked. */
    public static function ofRoom(int $id, string $name, ParticipantRole $role): self
    {
        return new self(Party::room($id)->address(), $name, ParticipantKind::Room, $role, ParticipantAnswer::Accepted, party: Party::room($id));
    }

    /** Somebody of a group that takes part, as one who has not answered. */
    public static function ofMember(int $id, string $mailAddress, string $name, self $group): self
    {
        return new self("mailto:{$mailAddress}", $name, ParticipantKind::Person, $group->role, party: Party::person($id), memberOf: $group->party);
    }

    /** The same as one who is asked themselves, whatever group they are in. */
    public function themselves(): self
    {
        return new self($this->address, $this->name, $this->kind, $this->role, $this->answer, $this->asked, $this->parameters, $this->party, $this->note);
    }

    /** Somebody whom the directory does not know. */
    public static function ofAddress(string $mailAddress, string $name, ParticipantRole $role): self
    {
        return new self('mailto:'.mb_strtolower($mailAddress), $name, ParticipantKind::Person, $role);
    }

    /**
     * The same with another part, answer, place in the directory or note; what is left out stays as it is.
     *
     * @param  ?array<string, list<string>>  $parameters
     */
    public function with(?ParticipantRole $role = null, ?ParticipantAnswer $answer = null, ?Party $party = null, ?string $note = null, ?array $parameters = null): self
    {
        return new self($this->address, $this->name, $this->kind, $role ?? $this->role, $answer ?? $this->answer, $this->asked, $parameters ?? $this->parameters, $party ?? $this->party, $note ?? $this->note, $this->memberOf);
    }

    /** Whether an answer is wanted of them: not of who is responsible, nor of who is only told. */
    public function isWanted(): bool
    {
        return in_array($this->role, [ParticipantRole::Required, ParticipantRole::Optional], true);
    }

    /** The same as one who has not answered. */
    public function unanswered(): self
    {
        return $this->with(answer: ParticipantAnswer::Unanswered, note: '')->waitingSince(null);
    }

    /** @param  ?string  $since  UTC; null: they wait for nothing */
    public function waitingSince(?string $since): self
    {
        $parameters = ($since === null ? [] : [self::SINCE => [$since]]) + array_diff_key($this->parameters, [self::SINCE => true]);

        return $parameters === $this->parameters ? $this : $this->with(parameters: $parameters);
    }

    /** Whether it is the same one, whatever part they take. */
    public function is(self $other): bool
    {
        return $this->party === null && $other->party === null ? mb_strtolower($this->address) === mb_strtolower($other->address) : $this->party?->is($other->party) === true;
    }

    /** The mail address in lower case; empty where the address is no mail address. */
    public function mailAddress(): string
    {
        return strncasecmp($this->address, 'mailto:', 7) === 0 ? strtolower(rawurldecode(substr($this->address, 7))) : '';
    }
}
