<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/**
 * What was answered to one time of a series. Such a time is a changed one (RFC 5545, 3.8.4.4), as an answer by mail has it; but where
 * nothing else of it is another, it goes on with the series instead of staying as it was.
 */
final class OccurrenceAnswers
{
    /**
     * The series with what one of those who are asked answered to one of its times.
     *
     * @param  int  $at  when they answered, UTC seconds
     */
    public static function answered(Series $series, Occurrence $occurrence, Participant $who, ParticipantAnswer $answer, string $note, int $at): Series
    {
        return OccurrenceChanges::one($series, Places::answered(OccurrenceChanges::single($occurrence), $who, $answer, $note, $at));
    }

    /** Whether a changed time is as its series has it, but for what was answered. */
    public static function isAll(Event $changed, Event $master): bool
    {
        $plain = self::plain($changed, $master);

        return $plain !== null && self::asked($plain) == self::asked($changed);
    }

    /** The same time as a series has it, with what was answered to it by those who still are asked; null where the series has no such time. */
    public static function carried(Event $changed, Event $master): ?Event
    {
        $plain = self::plain($changed, $master);

        return $plain?->with(participants: Participants::answeredAs($plain->participants, $changed->participants));
    }

    private static function plain(Event $changed, Event $master): ?Event
    {
        $occurrence = $changed->recurrenceId === null || $changed->andFollowing ? null : (new Series($master))->find($changed->recurrenceId);

        return $occurrence === null ? null : $master->occurringAt($occurrence);
    }

    /**
     * All that those who are asked were told, whatever they answered.
     *
     * @return array<string, mixed>
     */
    private static function asked(Event $event): array
    {
        return [
            'starts' => $event->timing->start, 'ends' => $event->timing->end, 'contents' => $event->contents, 'organizer' => $event->organizer, 'reminders' => $event->reminders, 'foreign' => $event->foreign,
            'participants' => array_map(static fn (Participant $each): Participant => $each->unanswered(), array_values(array_filter($event->participants, static fn (Participant $each): bool => $each->memberOf === null))),
        ];
    }
}
