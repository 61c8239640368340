<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;
use PinnedRota\Core\Events\OccurrenceAnswers;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Time\EventTime;

/** Notes what one of those who are asked has answered to one time of a series. It is no change of the event itself. */
final readonly class AnswerOccurrence implements Command
{
    /** @param  EventTime  $occurrence  the name of a time that there is */
    public function __construct(private int $seriesId, private EventTime $occurrence, private Participant $who, private ParticipantAnswer $answer, private string $note = '')
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $series = $table->series($table->head($this->seriesId));
        $found = $series->find($this->occurrence);
        if ($found !== null) {
            $table->replace($this->seriesId, OccurrenceAnswers::answered($series, $found, $this->who, $this->answer, $this->note, now()->getTimestamp()), $actor, isNewVersion: false);
        }

        return $this->seriesId;
    }
}
