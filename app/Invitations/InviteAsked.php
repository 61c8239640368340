<?php

namespace App\Invitations;

use App\Directory\GroupMemberships;
use App\Directory\Person;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\EventsChanged;
use App\Events\Write\SeriesChanged;
use App\Events\Write\SeriesState;
use App\Events\Write\Telling;
use App\Outbox\LetterKind;
use App\Outbox\Outbox;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;

/**
 * Has those told by mail who are asked to what has changed, within the transaction of the change. What they are told is worked out when the
 * letter goes: until then further changes are in the same one, and what was undone is in none.
 */
final class InviteAsked
{
    private const AT_ONCE = 500;

    /** What comes from elsewhere is told by whoever has it there. */
    private const TELLING = [Cause::Screen, Cause::Document, Cause::Undo, Cause::Letter];

    public function __construct(private readonly Outbox $outbox, private readonly GroupMemberships $memberships)
    {
    }

    public function handle(EventsChanged $changed): void
    {
        $series = array_filter($changed->series, static fn (SeriesChanged $each): bool => $changed->isTold() && self::tells($each));
        if ($series === []) {
            return;
        }
        $soon = $later = [];
        $members = $this->membersOf($series);
        foreach ($series as $each) {
            $people = Addressees::of($each->before) + Addressees::of($each->after) + $this->members($each, $members);
            foreach ($people as $address => $personId) {
                // Nobody is told of what they did themselves.
                if ($personId === null || $personId !== $each->actor->personId) {
                    $changed->telling === Telling::Soon || $each->isSoon() ? $soon[] = [$each->seriesId, $address, $personId] : $later[] = [$each->seriesId, $address, $personId];
                }
            }
        }
        $this->ask($soon, now()->addSeconds((int) config('rota.letters.undo_seconds')));
        $this->ask($later, now()->addSeconds((int) config('rota.letters.gather_seconds')));
    }

    /**
     * Has those told of an event who came to be in a group that is asked to it, or are no longer.
     *
     * @param  list<int>  $eventIds  heads
     */
    public function askOne(Person $person, array $eventIds): void
    {
        $this->ask(array_map(static fn (int $id): array => [$id, mb_strtolower($person->email), $person->id], $eventIds), now()->addSeconds((int) config('rota.letters.gather_seconds')));
    }

    /**
     * @param  array<SeriesChanged>  $series
     * @return array<int, array<string, int>> ids of active people by their address, by the group that they are in
     */
    private function membersOf(array $series): array
    {
        $groups = array_values(array_unique(array_merge(...array_map(static fn (SeriesChanged $each): array => [...Addressees::groups($each->before), ...Addressees::groups($each->after)], array_values($series)))));
        if ($groups === []) {
            return [];
        }
        $people = $this->memberships->peopleIn($groups);
        $addresses = Person::query()->where('status', 'active')->whereIntegerInRaw('id', array_unique(array_merge(...array_values($people))))->pluck('email', 'id');

        return array_map(static function (array $ids) use ($addresses): array {
            $found = [];
            foreach ($ids as $id) {
                if ($addresses->has($id)) {
                    $found[mb_strtolower($addresses[$id])] = $id;
                }
            }

            return $found;
        }, $people);
    }

    /**
     * @param  array<int, array<string, int>>  $members
     * @return array<string, int>
     */
    private function members(SeriesChanged $change, array $members): array
    {
        $organizer = [($change->after ?? $change->before) === null ? null : Addressees::organizer($change->after ?? $change->before)];

        return array_diff(array_merge(...[[], ...array_values(array_intersect_key($members, array_flip([...Addressees::groups($change->before), ...Addressees::groups($change->after)])))]), $organizer);
    }

    /**
     * Asks those once more who have not answered, but for whom a letter went to within the hour.
     *
     * @return int how many
     */
    public function again(SeriesState $state, ?int $by): int
    {
        $change = new SeriesChanged((int) $state->rows[0]['id'], $state, $state, Actor::nobody(), Cause::Screen);
        $rows = array_filter($state->participants, static fn (array $row): bool => ! $row['organizer']);
        $answered = array_filter($rows, static fn (array $row): bool => $row['answer'] !== ParticipantAnswer::Unanswered->value || $row['role'] === ParticipantRole::Informed->value);
        $people = array_diff_key(Addressees::of($state) + $this->members($change, $this->membersOf([$change])), Addressees::of(new SeriesState($state->rows, participants: array_values($answered))));
        $recent = DB::table('event_invitations')->where('event_id', $change->seriesId)->where('told_at', '>', now()->subHour())->pluck('address')->flip()->all();
        $asked = array_filter(array_diff_key($people, $recent), static fn (?int $id): bool => $id === null || $id !== $by);
        $this->ask(array_map(static fn (string $address, ?int $id): array => [$change->seriesId, $address, $id], array_keys($asked), $asked), now(), ['again' => true, 'reminds' => true]);

        return count($asked);
    }

    /**
     * @param  list<array{int, string, ?int}>  $asked  head, address, person
     * @param  ?array<string, bool>  $about
     */
    private function ask(array $asked, Carbon $due, ?array $about = null): void
    {
        foreach (array_chunk($asked, self::AT_ONCE) as $some) {
            DB::table('event_invitations')->upsert(array_map(static fn (array $each): array => [
                'event_id' => $each[0], 'address' => $each[1], 'person_id' => $each[2], 'created_at' => now(), 'updated_at' => now(),
            ], $some), ['event_id', 'address'], ['person_id']);
            $known = DB::table('event_invitations')->whereIn('event_id', array_unique(array_column($some, 0)))->whereIn('address', array_unique(array_column($some, 1)))->get(['id', 'event_id', 'address']);
            $ids = [];
            foreach ($known as $row) {
                $ids["{$row->event_id} {$row->address}"] = (int) $row->id;
            }
            $this->outbox->put(LetterKind::Invitation, array_map(static function (array $each) use ($ids, $about): array {
                $id = $ids["{$each[0]} {$each[1]}"];

                return ['slot' => ($about === null ? '' : 'again ')."invitation {$id}", 'about' => $about, 'address' => $each[1], 'person_id' => $each[2], 'invitation_id' => $id];
            }, $some), $due);
        }
    }

    private static function tells(SeriesChanged $change): bool
    {
        return in_array($change->cause, self::TELLING, true) && [...$change->before->participants ?? [], ...$change->after->participants ?? []] !== [] && ! SeriesState::same($change->before, $change->after);
    }
}
