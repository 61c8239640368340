<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use LogicException;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;

/** What somebody answered who is asked to an event. */
final readonly class AnswerGiven
{
    public function __construct(public string $name, public ?int $personId, public ParticipantAnswer $answer, public NoticeTime $time)
    {
    }

    /**
     * @param  callable(Event): ?Occurrence  $timeOf  the time that stands for an event: of a series its next
     * @param  ?Series  $before  null where it was added since: then nobody had answered
     * @return list<self> what is answered now and was not, or otherwise; who is responsible is not asked
     */
    public static function between(?Series $before, Series $after, callable $timeOf): array
    {
        $given = [];
        foreach ($after->events() as $event) {
            $was = $before === null ? [] : self::answers(self::before($before, $event));
            foreach (array_diff_assoc(self::answers($event), $was) as $address => $answer) {
                $time = ($was[$address] ?? ParticipantAnswer::Unanswered->value) === $answer ? null : $timeOf($event);
                if ($time !== null) {
                    $who = self::participant($event, $address);
                    $given[] = new self($who->name !== '' ? $who->name : (string) preg_replace('/^mailto:/i', '', $who->address), $who->party?->id, ParticipantAnswer::from($answer), NoticeTime::of($time, $event->recurrenceId === null ? null : RecurrenceId::text($event->recurrenceId)));
                }
            }
        }

        return $given;
    }

    private static function before(Series $series, Event $event): ?Event
    {
        foreach ($series->events() as $each) {
            if ($each->recurrenceId?->indexSeconds() === $event->recurrenceId?->indexSeconds()) {
                return $each;
            }
        }

        // One time that stood for nothing of its own had the answers of all.
        return $series->master;
    }

    /** @return array<string, string> by address */
    private static function answers(?Event $event): array
    {
        $answers = [];
        foreach ($event->participants ?? [] as $each) {
            if ($each->role === ParticipantRole::Responsible) {
                continue;
            }
            $answers[self::key($each)] = $each->answer->value;
        }

        return $answers;
    }

    private static function participant(Event $event, string $key): Participant
    {
        foreach ($event->participants as $each) {
            if (self::key($each) === $key) {
                return $each;
            }
        }
        throw new LogicException('Who answered takes part.');
    }

    private static function key(Participant $participant): string
    {
        return $participant->party?->address() ?? mb_strtolower($participant->address);
    }
}
