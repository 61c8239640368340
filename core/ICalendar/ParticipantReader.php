<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantKind;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Party;

/** Reads ATTENDEE and ORGANIZER (RFC 5545, 3.8.4.1 and 3.8.4.3). */
final readonly class ParticipantReader
{
    private const MOST = 2000;

    public function __construct(private Diagnostics $diagnostics)
    {
    }

    /** @return list<Participant> each address once */
    public function participants(Component $component): array
    {
        $participants = [];
        foreach ($component->all('ATTENDEE') as $property) {
            $participant = $this->read($property);
            if ($participant === null) {
                continue;
            }
            if (count($participants) >= self::MOST) {
                $this->diagnostics->add($property->line, 'ATTENDEE', 'the event has more than '.self::MOST.' of them', Outcome::Skipped);
                break;
            }
            $participants[mb_strtolower($participant->address)] ??= $participant;
        }

        return array_values($participants);
    }

    public function organizer(Component $component): ?Participant
    {
        $property = $component->first('ORGANIZER');

        return $property === null ? null : $this->read($property);
    }

    private function read(Property $property): ?Participant
    {
        $address = trim($property->value);
        if ($address === '' || strlen($address) > 500) {
            $this->diagnostics->add($property->line, $property->name, $address === '' ? 'it has no address' : 'the address is too long', Outcome::Skipped);

            return null;
        }
        if (preg_match('/^[a-z][a-z0-9+.-]*:/i', $address) !== 1) {
            if (! str_contains($address, '@')) {
                $this->diagnostics->add($property->line, $property->name, 'the address is no URI', Outcome::Skipped);

                return null;
            }
            $this->diagnostics->add($property->line, $property->name, 'the address lacks “mailto:”', Outcome::Mended);
            $address = 'mailto:'.$address;
        }
        $known = static fn (string $name): string => strtoupper($property->parameter($name) ?? '');
        $parameters = $property->parameters;
        unset($parameters['CN'], $parameters['CUTYPE'], $parameters['ROLE'], $parameters['PARTSTAT'], $parameters['RSVP']);
        ksort($parameters);

        return new Participant(
            address: $address,
            name: mb_substr(trim($property->parameter('CN') ?? ''), 0, 200),
            kind: ParticipantKind::tryFrom($known('CUTYPE')) ?? ($known('CUTYPE') === '' ? ParticipantKind::Person : ParticipantKind::Unknown),
            role: ParticipantRole::tryFrom($known('ROLE')) ?? ParticipantRole::Required,
            answer: ParticipantAnswer::tryFrom($known('PARTSTAT')) ?? ParticipantAnswer::Unanswered,
            asked: $known('RSVP') === 'TRUE',
            parameters: $parameters,
            party: Party::ofAddress($address),
        );
    }
}
