<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Places;

/** Notes what one of those who are asked has answered, for all of a series. It is no change of the event itself. */
final readonly class AnswerSeries implements Command
{
    public function __construct(private int $seriesId, private Participant $who, private ParticipantAnswer $answer, private string $note = '')
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $at = now()->getTimestamp();
        $answered = fn (Event $event): Event => Places::answered($event, $this->who, $this->answer, $this->note, $at);
        $table->replace($this->seriesId, $table->series($table->head($this->seriesId))->each($answered), $actor, isNewVersion: false);

        return $this->seriesId;
    }
}
