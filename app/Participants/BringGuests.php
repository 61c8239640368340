<?php

namespace App\Participants;

use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\Done;
use App\Events\Write\OperationKind;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Participants;

/** Asks others to an event for somebody who is asked to it themselves; whether it lets them is asked before. */
final class BringGuests
{
    /** As many as an event has that take part. */
    private const MOST = 100;

    public function __construct(private readonly SeenSeries $seen, private readonly ChangeEvents $changes)
    {
    }

    /**
     * @param  ?Occurrence  $time  of a series; null: all of it
     * @param  list<array{kind: string, id?: ?int, address?: ?string, name?: ?string}>  $named
     * @return array{Done, int} with how many are asked from now on
     *
     * @throws ValidationException where all of them are asked, or there are too many
     */
    public function ask(EventRecord $head, ?Occurrence $time, array $named, Actor $actor, Cause $cause): array
    {
        $series = $this->seen->load($head);
        $before = $time === null ? $series->events()[0] : OccurrenceChanges::single($time);
        $guests = ParticipantsInput::put([], array_map(static fn (array $each): array => ['part' => 'optional'] + $each, $named));
        $new = array_values(array_filter($guests, static fn (Participant $each): bool => Participants::find($before->participants, $each) === null));
        if ($new === []) {
            throw ValidationException::withMessages(['guests' => 'They are asked already.']);
        }
        if (count($before->participants) + count($new) > self::MOST) {
            throw ValidationException::withMessages(['guests' => 'An event has at most '.self::MOST.' who take part.']);
        }
        $after = $before->with(participants: [...$before->participants, ...$new]);
        $changed = match (true) {
            $time !== null => OccurrenceChanges::one($series, $after),
            $series->master === null => $series->each(static fn (Event $each): Event => $each === $before ? $after : $each),
            default => OccurrenceChanges::all($series, $after),
        };

        return [$this->changes->carryOut($actor, $cause, OperationKind::Change, [new ReplaceSeries($head->id, $changed)], [$head->id => $head->version]), count($new)];
    }
}
