<?php

namespace App\Participants;

use App\Access\Perspective;
use App\Calendars\CalendarNameData;
use App\Events\EventRecord;
use App\Events\Read\Scope;
use App\Events\Read\SeenOccurrence;
use App\Events\Read\SeenOccurrences;
use App\Events\Read\SeenSeries;
use App\Events\Write\OperationKind;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** What somebody answered within the last days and that is still to come: each series once, by its next time. */
final class AnsweredEvents
{
    private const DAYS = 14;

    private const AHEAD_DAYS = 366;

    private const MOST = 20;

    public function __construct(private readonly SeenOccurrences $occurrences, private readonly SeenSeries $series)
    {
    }

    /** @return list<AnsweredEventData> what was answered last first */
    public function of(Perspective $perspective, Zone $zone): array
    {
        $ids = DB::table('operations as o')->join('operation_series as s', 's.operation_id', '=', 'o.id')->where('o.person_id', $perspective->viewer->personId)->where('o.kind', OperationKind::Answer)
            ->whereNull('o.undone_at')->where('o.created_at', '>', now()->subDays(self::DAYS))->groupBy('s.series_id')->orderByRaw('MAX(o.id) DESC')->limit(self::MOST)->pluck('s.series_id')->map(intval(...))->all();
        if ($ids === []) {
            return [];
        }
        $today = LocalDateTime::midnight(LocalDateTime::parse(Carbon::now($zone->name)->format('Y-m-d'))->day());
        $next = [];
        foreach ($this->occurrences->in($perspective, new Scope($perspective->calendars->keys()->all(), $today, $today->plusDays(self::AHEAD_DAYS), $zone, seriesIds: array_values($ids))) as $seen) {
            $id = $seen->occurrence->seriesId;
            if ($seen->isFull && (! isset($next[$id]) || $next[$id]->occurrence->starts > $seen->occurrence->starts)) {
                $next[$id] = $seen;
            }
        }
        $heads = EventRecord::query()->with(EventRecord::WHOLE)->findMany(array_keys($next))->keyBy('id');

        return array_values(array_filter(array_map(fn (int $id): ?AnsweredEventData => isset($next[$id], $heads[$id]) ? $this->told($next[$id], $heads[$id], $perspective, $zone) : null, $ids)));
    }

    private function told(SeenOccurrence $seen, EventRecord $head, Perspective $perspective, Zone $zone): ?AnsweredEventData
    {
        $occurrence = $seen->occurrence;
        $series = $this->series->load($head);
        $event = ($occurrence->recurrenceId === null ? null : $series->find(RecurrenceId::parse($occurrence->recurrenceId))?->event) ?? $series->events()[0];
        $answer = self::answer($event, (int) $perspective->viewer->personId);
        [$start, $end] = $occurrence->written($zone);

        return $answer === null || $answer === ParticipantAnswer::Unanswered ? null : new AnsweredEventData(
            $head->id, $occurrence->recurrenceId, $occurrence->title, $start, $end, $occurrence->kind === TimeKind::Date, strtolower($answer->name), CalendarNameData::of($perspective->calendars[$occurrence->calendarId]->calendar),
        );
    }

    private static function answer(Event $event, int $personId): ?ParticipantAnswer
    {
        return Participants::find($event->participants, Participant::standingFor(Party::person($personId)))?->answer;
    }
}
