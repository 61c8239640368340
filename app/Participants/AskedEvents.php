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
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** What somebody is asked to take part in, and has not answered: of what is settled and still to come, each series once, the next first. */
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
        $now = LocalDateTime::parse(Carbon::now($zone->name)->format('Y-m-d\TH:i:s'));
        $today = LocalDateTime::midnight($now->day());
        $first = $times = [];
        foreach ($this->occurrences->in($perspective, new Scope($perspective->calendars->keys()->all(), $today, $today->plusDays(self::AHEAD_DAYS), $zone, seriesIds: $series)) as $seen) {
            if (! $seen->isUnanswered || $seen->occurrence->status !== Status::Confirmed || $seen->occurrence->on($zone)[1]->seconds <= $now->seconds) {
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

    private function told(SeenOccurrence $seen, int $times, EventRecord $head, Perspective $perspective, Zone $zone): AskedEventData
    {
        $occurrence = $seen->occurrence;
        [$start, $end] = $occurrence->written($zone);

        return new AskedEventData(
            $head->id, $occurrence->recurrenceId, $occurrence->title, $occurrence->place, $start, $end, $occurrence->kind === TimeKind::Date, $times,
            OrganiserData::of($head, $this->series->load($head)->events()[0])->name ?? '', CalendarNameData::of($perspective->calendars[$occurrence->calendarId]->calendar),
        );
    }
}
