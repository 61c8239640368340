<?php

namespace App\Preparation;

use App\Directory\Person;
use App\Outbox\LetterKind;
use App\Outbox\Outbox;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Events\ParticipantRole;

/** Puts letters about what is to be prepared into the outbox; what they say is worked out when they go. */
final class TaskLetters
{
    public function __construct(private readonly Outbox $outbox)
    {
    }

    /** @param  array<int>  $people  who are to prepare something for an event from now on */
    public function assigned(int $seriesId, array $people): void
    {
        $this->put(LetterKind::TasksAssigned, $people, ['series' => $seriesId], "tasks {$seriesId}", $this->gathered());
    }

    /**
     * @param  array<int>  $people  who are to know what has become of the preparation of an event
     * @param  ?string  $time  the name of the time that it is about, of a series
     */
    public function changed(int $seriesId, array $people, ?string $time = null): void
    {
        $this->put(LetterKind::PreparationChanged, $people, ['series' => $seriesId, 'time' => $time], "preparation {$seriesId} {$time}", $this->gathered());
    }

    /** @param  array<int>  $people  who have something to prepare that is due today or tomorrow */
    public function due(array $people): void
    {
        $this->put(LetterKind::TasksDue, $people, [], 'tasks due', now());
    }

    /**
     * Who is responsible for an event: who is named so, else who added it.
     *
     * @param  list<array<string, mixed>>  $participants  rows
     * @return list<int> ids of people
     */
    public function responsible(array $participants, ?int $author): array
    {
        $named = array_filter($participants, static fn (array $row): bool => ! $row['organizer'] && $row['role'] === ParticipantRole::Responsible->value && $row['person_id'] !== null);

        return $named === [] ? ($author === null ? [] : [$author]) : array_values(array_unique(array_map(intval(...), array_column($named, 'person_id'))));
    }

    /**
     * @param  array<int>  $people
     * @param  array<string, mixed>  $about
     */
    private function put(LetterKind $kind, array $people, array $about, string $slot, Carbon $due): void
    {
        $addresses = $people === [] ? [] : Person::query()->whereKey($people)->where('status', 'active')->pluck('email', 'id')->all();
        $this->outbox->put($kind, array_map(static fn (int $id, string $address): array => ['slot' => "{$slot} {$id}", 'address' => mb_strtolower($address), 'person_id' => $id, 'about' => $about], array_keys($addresses), $addresses), $due);
    }

    private function gathered(): Carbon
    {
        return now()->addSeconds((int) config('rota.letters.gather_seconds'));
    }
}
