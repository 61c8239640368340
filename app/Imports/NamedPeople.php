<?php

namespace App\Imports;

use App\Directory\Group;
use App\Directory\Person;
use PinnedRota\Core\Documents\ColumnRole;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Documents\PeopleNamed;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\PartyKind;

/** Who takes part in an event as a row of a table names them: people and groups of the directory, and mail addresses. */
final class NamedPeople
{
    private const ROLES = [ColumnRole::Responsible->value => ParticipantRole::Responsible, ColumnRole::Participants->value => ParticipantRole::Required];

    /** @var ?array<string, list<Participant>> by name and mail address in lower case; of a part of a name all who have it */
    private ?array $known = null;

    /** @return list<Participant> nobody twice; whoever is responsible is so */
    public function of(ExtractedEvent $found): array
    {
        return Participants::distinct($this->all($found, static fn (): null => null));
    }

    /** @return list<string> names of nobody that is known, or of several */
    public function unknown(ExtractedEvent $found): array
    {
        $unknown = [];
        $this->all($found, static function (string $name) use (&$unknown): void {
            $unknown[] = $name;
        });

        return array_values(array_unique($unknown));
    }

    /**
     * @param  callable(string): void  $missed  told of each name that nobody has, or several
     * @return list<Participant>
     */
    private function all(ExtractedEvent $found, callable $missed): array
    {
        $people = [];
        foreach (self::ROLES as $column => $role) {
            foreach (PeopleNamed::in($found->fields[$column] ?? '') as $name) {
                $who = $this->one($name, $role);
                $who === null ? $missed($name) : $people[] = $who;
            }
        }

        return $people;
    }

    private function one(string $name, ParticipantRole $role): ?Participant
    {
        $known = $this->known()[mb_strtolower($name)] ?? [];
        if (count($known) === 1) {
            [$one] = $known;

            return $one->party?->kind === PartyKind::Person ? Participant::ofPerson($one->party->id, $one->mailAddress(), $one->name, $role) : $one->with(role: $role);
        }

        return $known === [] && PeopleNamed::isAddress($name) ? Participant::ofAddress(mb_strtolower($name), '', $role) : null;
    }

    /** @return array<string, list<Participant>> */
    private function known(): array
    {
        if ($this->known !== null) {
            return $this->known;
        }
        $this->known = [];
        foreach (Group::query()->get(['id', 'name']) as $group) {
            $this->known[mb_strtolower($group->name)][] = Participant::ofGroup($group->id, $group->name, ParticipantRole::Required);
        }
        $parts = [];
        foreach (Person::query()->where('status', 'active')->get(['id', 'name', 'email']) as $person) {
            $one = Participant::ofPerson($person->id, $person->email, $person->name, ParticipantRole::Required);
            $this->known[mb_strtolower($person->email)] = [$one];
            $this->known[mb_strtolower($person->name)][] = $one;
            foreach (PeopleNamed::shorter($person->name) as $part) {
                $parts[mb_strtolower($part)][] = $one;
            }
        }

        // What is a whole name is nobody’s first name.
        return $this->known += $parts;
    }
}
