<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Participant;

/** What of an event somebody is told of when it is another. Reminders, colours and whatever else is of one's own are not. */
enum ChangedPart: string
{
    case Time = 'time';
    case Title = 'title';
    case Place = 'place';
    case Description = 'description';
    case Link = 'link';
    case Categories = 'categories';
    case People = 'people';
    case State = 'state';

    /** @return list<self> the parts that are another after than they were before */
    public static function between(Occurrence $before, Occurrence $after): array
    {
        return array_values(array_filter(self::cases(), static fn (self $part): bool => $part->of($before) !== $part->of($after)));
    }

    private function of(Occurrence $occurrence): mixed
    {
        $contents = $occurrence->event->contents;

        return match ($this) {
            self::Time => [$occurrence->startSeconds, $occurrence->endSeconds, $occurrence->start->kind],
            self::Title, self::Place, self::Description => trim($contents->texts()[$this->value]),
            self::Link => [trim($contents->link), MeetingLink::of($occurrence->event)],
            self::Categories => $contents->categories,
            self::People => self::people($occurrence->event),
            self::State => $contents->status,
        };
    }

    /** @return list<string> who takes part, and how; what they answered, themselves or as one of a group, is no change of the event */
    private static function people(Event $event): array
    {
        $people = array_map(static fn (Participant $each): string => "{$each->role->name} ".($each->party?->address() ?? mb_strtolower($each->address)), array_filter($event->participants, static fn (Participant $each): bool => $each->memberOf === null));
        sort($people);

        return $people;
    }
}
