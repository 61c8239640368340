<?php

declare(strict_types=1);

namespace PinnedRota\Core\Invitations;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\Method;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\Zone;

/** What somebody who is asked sends back by their calendar (RFC 5546, 3.2.3, 3.2.6 and 3.2.7), for one time or for all of a series. */
final readonly class CalendarReply
{
    /** Of more times than these the rest is not looked at. */
    private const MOST = 100;

    /**
     * @param  ?EventTime  $occurrence  the time that is meant; null: all of it
     * @param  ?ParticipantAnswer  $answer  of the one who answers; null where none stands there
     * @param  ?EventTime  $start  as they propose it, in a COUNTER
     * @param  ?EventTime  $end  exclusive
     * @param  string  $organizer  the mail address of who asked, as they were told it
     */
    private function __construct(
        public Method $method,
        public string $uid,
        public int $sequence,
        public ?EventTime $occurrence,
        public ?ParticipantAnswer $answer,
        public string $note,
        public string $organizer,
        public ?EventTime $start,
        public ?EventTime $end,
    ) {
    }

    /**
     * @param  string  $address  of whoever answers, where several are named; in lower case
     * @return list<self> one for each time that is answered to; none where it is no answer
     *
     * @throws NotICalendar
     */
    public static function read(string $text, string $address): array
    {
        $reader = CalendarReader::ofText($text, new Diagnostics, Zone::utc(), takesReplies: true);
        $replies = [];
        foreach ($reader->events() as $event) {
            $method = $reader->method();
            if ($method === null || $method->tellsOfEvents() || count($replies) >= self::MOST) {
                break;
            }
            $replies[] = new self(
                $method, $event->uid, $event->sequence, $event->recurrenceId, self::answer($event, $address), self::note($event), $event->organizer?->mailAddress() ?? '',
                $method === Method::Counter ? $event->timing->start : null, $method === Method::Counter ? $event->timing->end : null,
            );
        }

        return $replies;
    }

    /** Whether another time is proposed than it is at. */
    public function proposesOther(EventTime $start, EventTime $end): bool
    {
        return $this->start !== null && $this->end !== null && (RecurrenceId::text($this->start) !== RecurrenceId::text($start) || RecurrenceId::text($this->end) !== RecurrenceId::text($end));
    }

    private static function answer(Event $event, string $address): ?ParticipantAnswer
    {
        foreach ($event->participants as $each) {
            if ($each->mailAddress() === $address) {
                return $each->answer;
            }
        }

        // Who has several addresses answers by another than they were asked at.
        return count($event->participants) === 1 ? $event->participants[0]->answer : null;
    }

    private static function note(Event $event): string
    {
        return trim($event->foreign->first('COMMENT')?->text() ?? '');
    }
}
