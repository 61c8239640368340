<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Time\LocalDateTime;

/**
 * How many may come to an event. Who says that they come when all places are taken waits for one, first come first served; who is responsible, and
 * what is no person, takes none.
 */
final class Places
{
    public const MOST = 10_000;

    private const PROPERTY = 'X-ROTA-PLACES';

    /** @return ?int null where there is no end to them */
    public static function of(Event $event): ?int
    {
        $places = filter_var(OwnProperty::of($event, self::PROPERTY), FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => self::MOST]]);

        return $places === false ? null : $places;
    }

    /** The same event with so many; nobody who comes loses their place where that is fewer. */
    public static function put(Event $event, ?int $places): Event
    {
        return OwnProperty::put($event, self::PROPERTY, $places === null ? null : (string) $places);
    }

    /** How many places are taken, which may be more than there are. */
    public static function taken(Event $event): int
    {
        return count(array_filter($event->participants, static fn (Participant $each): bool => $each->answer === ParticipantAnswer::Accepted && self::takesOne($each)));
    }

    /** @return list<Participant> who waits for a place, who is next first */
    public static function waiting(Event $event): array
    {
        $waiting = array_values(array_filter($event->participants, static fn (Participant $each): bool => $each->answer === ParticipantAnswer::Waiting));
        // The order among those of one second is that in which they stand: sorting keeps it.
        usort($waiting, static fn (Participant $a, Participant $b): int => self::since($a) <=> self::since($b));

        return $waiting;
    }

    /** @return ?int at which place of those who wait somebody is, from 1; null where they do not */
    public static function position(Event $event, Participant $who): ?int
    {
        foreach (self::waiting($event) as $index => $each) {
            if ($each->is($who)) {
                return $index + 1;
            }
        }

        return null;
    }

    /**
     * The same event with what somebody answered: who comes where nothing is free waits, and stays where they wait already.
     *
     * @param  int  $at  when they answered, UTC seconds
     */
    public static function answered(Event $event, Participant $who, ParticipantAnswer $answer, string $note, int $at): Event
    {
        $before = Participants::find($event->participants, $who);
        if ($answer === ParticipantAnswer::Accepted && $before?->answer !== ParticipantAnswer::Accepted && self::isFullFor($event, $before ?? $who)) {
            $since = $before?->answer === ParticipantAnswer::Waiting ? self::since($before) : (new LocalDateTime($at))->toDateTime();
            $waiting = Participants::answered($event->participants, $who, ParticipantAnswer::Waiting, $note);

            return $event->with(participants: array_map(static fn (Participant $each): Participant => $each->is($who) ? $each->waitingSince($since) : $each, $waiting));
        }

        return $event->with(participants: array_map(static fn (Participant $each): Participant => $each->is($who) ? $each->waitingSince(null) : $each, Participants::answered($event->participants, $who, $answer, $note)));
    }

    /** The same event with those who wait on the places that are free. */
    public static function givenOut(Event $event): Event
    {
        $places = self::of($event);
        $waiting = self::waiting($event);
        $moved = $places === null ? $waiting : array_slice($waiting, 0, max(0, $places - self::taken($event)));
        if ($moved === []) {
            return $event;
        }

        return $event->with(participants: array_map(
            static fn (Participant $each): Participant => in_array($each, $moved, true) ? $each->with(answer: ParticipantAnswer::Accepted)->waitingSince(null) : $each,
            $event->participants,
        ));
    }

    /** Whether somebody who now says that they come would wait. */
    public static function isFullFor(Event $event, Participant $who): bool
    {
        $places = self::of($event);

        return $places !== null && self::takesOne($who) && $who->answer !== ParticipantAnswer::Accepted && ($who->answer === ParticipantAnswer::Waiting || self::waiting($event) !== [] || self::taken($event) >= $places);
    }

    private static function takesOne(Participant $participant): bool
    {
        return $participant->kind === ParticipantKind::Person && $participant->isWanted();
    }

    private static function since(Participant $participant): string
    {
        return $participant->parameters[Participant::SINCE][0] ?? '';
    }
}
