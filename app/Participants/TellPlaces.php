<?php

namespace App\Participants;

use App\Events\Write\Cause;
use App\Events\Write\EventsChanged;
use App\Events\Write\SeriesChanged;
use App\Events\Write\SeriesState;
use App\Invitations\Addressees;
use App\Outbox\LetterKind;
use App\Outbox\Outbox;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\ParticipantAnswer;

/**
 * Tells those who waited for a place that they have one, and who answered by a letter that they wait: within the transaction of the change. Who
 * answers on the screen sees it there.
 */
final class TellPlaces
{
    public function __construct(private readonly Outbox $outbox)
    {
    }

    public function handle(EventsChanged $changed): void
    {
        foreach ($changed->series as $series) {
            $before = self::answers($series->before);
            foreach (self::answers($series->after) as $key => [$answer, $row]) {
                $was = $before[$key][0] ?? ParticipantAnswer::Unanswered->value;
                $hasPlace = $was === ParticipantAnswer::Waiting->value && $answer === ParticipantAnswer::Accepted->value;
                $waits = $was !== $answer && $answer === ParticipantAnswer::Waiting->value && $series->cause === Cause::Letter;
                if ($hasPlace || $waits) {
                    $this->tell($series, $row);
                }
            }
        }
    }

    /** @param  array<string, mixed>  $row  of whoever it concerns */
    private function tell(SeriesChanged $series, array $row): void
    {
        $time = (string) (array_column($series->after->rows ?? [], 'recurrence_id', 'id')[$row['event_id']] ?? '');
        if ($row['person_id'] !== null) {
            TellPlace::dispatch($series->seriesId, $time, (int) $row['person_id']);

            return;
        }
        $address = array_key_first(Addressees::of(new SeriesState($series->after->rows ?? [], participants: [$row])));
        $invitation = $address === null ? null : DB::table('event_invitations')->where('event_id', $series->seriesId)->where('address', $address)->value('id');
        if ($invitation !== null) {
            $this->outbox->put(LetterKind::Place, [['slot' => "place {$invitation} {$time}", 'address' => (string) $address, 'invitation_id' => (int) $invitation, 'about' => ['time' => $time]]], now());
        }
    }

    /** @return array<string, array{string, array<string, mixed>}> the answer and the row of each who takes part, by event and who they are */
    private static function answers(?SeriesState $state): array
    {
        $answers = [];
        foreach ($state === null || $state->isDeleted() ? [] : $state->participants as $row) {
            if (! $row['organizer']) {
                $answers["{$row['event_id']} ".($row['person_id'] ?? mb_strtolower((string) $row['address']))] = [(string) $row['answer'], $row];
            }
        }

        return $answers;
    }
}
