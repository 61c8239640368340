<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** Whoever has answered to a time is asked anew once it is at another. What else is changed of an event leaves the answers as they are. */
final class AskedAnew
{
    /** Whether anybody takes part in a series whom it could concern. */
    public static function concerns(Series $series): bool
    {
        return array_filter($series->events(), static fn (Event $event): bool => $event->participants !== []) !== [];
    }

    /**
     * @param  Series  $before  as it was when they answered
     * @param  Series  $after  as it is to be
     * @param  ?Party  $mover  who moves it: they need not be asked
     */
    public static function of(Series $before, Series $after, ?Party $mover): Series
    {
        if ($before->master === null || $after->master === null) {
            return $after;
        }
        $isMoved = ! self::isAt($before->master, $after->master);
        $overrides = array_map(static fn (Event $each): Event => self::isMoved($each, $before, $isMoved) ? self::asked($each, $mover) : $each, $after->overrides);

        return new Series($isMoved ? self::asked($after->master, $mover) : $after->master, $overrides);
    }

    /** @param  bool  $withSeries  whether the series has moved: then its times go by other names */
    private static function isMoved(Event $override, Series $before, bool $withSeries): bool
    {
        if ($override->recurrenceId === null || $override->andFollowing) {
            return false;
        }
        if ($withSeries) {
            return array_filter($before->overrides, static fn (Event $each): bool => self::isAt($each, $override)) === [];
        }
        $occurrence = $before->find($override->recurrenceId);

        return $occurrence === null || ! self::isAt(OccurrenceChanges::single($occurrence), $override);
    }

    private static function isAt(Event $one, Event $other): bool
    {
        return $one->timing->start->equals($other->timing->start) && $one->timing->end->equals($other->timing->end);
    }

    /** Whoever is responsible has nothing to answer. */
    private static function asked(Event $event, ?Party $mover): Event
    {
        return $event->with(participants: array_map(
            static fn (Participant $each): Participant => $each->kind === ParticipantKind::Person && $each->role !== ParticipantRole::Responsible && ($mover === null || ! $mover->is($each->party))
                ? $each->unanswered() : $each,
            $event->participants,
        ));
    }
}
