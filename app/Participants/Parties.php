<?php

namespace App\Participants;

use App\Directory\Group;
use App\Directory\Person;
use App\Rooms\Room;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\PartyKind;

/** Who of the directory a participant is: as they say themselves, or by their mail address. */
final class Parties
{
    /** A file may name any number of addresses: what is remembered of them stays small. */
    private const MOST_KNOWN = 5_000;

    /** @var array<string, ?Party> by address */
    private array $known = [];

    public function of(Participant $participant): ?Party
    {
        $key = $participant->party === null ? 'mail '.$participant->mailAddress() : $participant->party->address();
        if (count($this->known) > self::MOST_KNOWN) {
            $this->forget();
        }

        return array_key_exists($key, $this->known) ? $this->known[$key] : $this->known[$key] = $this->find($participant);
    }

    public function forget(): void
    {
        $this->known = [];
    }

    private function find(Participant $participant): ?Party
    {
        $party = $participant->party;
        if ($party === null) {
            $id = $participant->mailAddress() === '' ? null : Person::query()->where('email', $participant->mailAddress())->value('id');

            return $id === null ? null : Party::person((int) $id);
        }

        // A file may name what is not there, or not any more.
        return self::query($party->kind)->whereKey($party->id)->exists() ? $party : null;
    }

    /** @return Builder<covariant Model> those of a kind in the directory, each with a name */
    public static function query(PartyKind $kind): Builder
    {
        return match ($kind) {
            PartyKind::Person => Person::query(),
            PartyKind::Group => Group::query(),
            PartyKind::Room => Room::query(),
        };
    }
}
