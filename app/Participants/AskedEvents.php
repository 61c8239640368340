<?php

namespace App\Participants;

use App\Access\Perspective;
use App\Calendars\CalendarNameData;
use App\Events\EventRecord;
use App\Events\Read\Scope;
use App\Events\Read\SeenOccurrence;
use App\Events\Read\SeenOccurrences;
use App\Events\Read\SeenSeries;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Places;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** What somebody is asked to take part in, and has not answered: of what is settled, or asks before it is, and still to come, each series once, the next first. */
final class AskedEvents
{
    private const AHEAD_DAYS = 366;

    public function __construct(private readonly SeenOccurrences $occurrences, private readonly SeenSeries $series)
    {
    }

    /** @return list<AskedEventData> */
    public function of(Perspective $perspective, Zone $zone): array
    {
        $series = EventRecord::query()->whereIn('id', ParticipantRecord::query()->select('event_id')->where('organizer', false)->where('answer', ParticipantAnswer::Unanswered)
            ->where(static fn ($whom) => $whom->where('person_id', $perspective->viewer->personId)->orWhereIntegerInRaw('group_id', $perspective->viewer->groupIds)))
            ->toBase()->selectRaw('DISTINCT COALESCE(series_id, id) AS id')->pluck('id')->map(intval(...))->all();
        if ($series === []) {
            return [];
        }
        $early = DB::table('events as e')->join('calendars as c', 'c.id', '=', 'e.calendar_id')->where('e.status', Status::Provisional)->whereRaw(AsksEarly::sql('e', 'c'))
            ->where(static fn ($of) => $of->whereIntegerInRaw('e.id', $series)->orWhereIntegerInRaw('e.series_id', $series))->pluck('e.id')->flip()->all();
        $now = LocalDateTime::parse(Carbon::now($zone->name)->format('Y-m-d\TH:i:s'));
        $today = LocalDateTime::midnight($now->day());
        $first = $times = [];
        foreach ($this->occurrences->in($perspective, new Scope($perspective->calendars->keys()->all(), $today, $today->plusDays(self::AHEAD_DAYS), $zone, seriesIds: $series)) as $seen) {
            if (! $seen->isUnanswered || ! self::asks($seen, $early) || $seen->occurrence->on($zone)[1]->seconds <= $now->seconds) {
                continue;
            }
            $id = $seen->occurrence->seriesId;
            // A time that is seen by several calendars is one, told by its own where that is one of them.
            $times[$id][(string) $seen->occurrence->recurrenceId] = true;
            $before = $first[$id] ?? null;
            if ($before === null || ($before->occurrence->recurrenceId === $seen->occurrence->recurrenceId && $before->occurrence->isPinned())) {
                $first[$id] = $seen;
            }
        }
        $heads = EventRecord::query()->with(EventRecord::WHOLE)->findMany(array_keys($first))->keyBy('id');

        return array_values(array_map(fn (SeenOccurrence $seen): AskedEventData => $this->told($seen, count($times[$seen->occurrence->seriesId]), $heads[$seen->occurrence->seriesId], $perspective, $zone), $first));
    }

    /** @param  array<int, mixed>  $early  ids of events that ask while they are provisional */
    private static function asks(SeenOccurrence $seen, array $early): bool
    {
        return $seen->occurrence->status === Status::Confirmed || isset($early[$seen->occurrence->eventId]);
    }

    private function told(SeenOccurrence $seen, int $times, EventRecord $head, Perspective $perspective, Zone $zone): AskedEventData
    {
        $occurrence = $seen->occurrence;
        [$start, $end] = $occurrence->written($zone);
        $series = $this->series->load($head);
        $event = ($occurrence->recurrenceId === null ? null : $series->find(RecurrenceId::parse($occurrence->recurrenceId))?->event) ?? $series->events()[0];

        return new AskedEventData(
            $head->id, $occurrence->recurrenceId, $occurrence->title, $occurrence->place, $start, $end, $occurrence->kind === TimeKind::Date, $times,
            OrganiserData::of($head, $series->events()[0])->name ?? '', CalendarNameData::of($perspective->calendars[$occurrence->calendarId]->calendar),
            $occurrence->status === Status::Provisional, Places::of($event), Places::taken($event),
        );
    }
}
