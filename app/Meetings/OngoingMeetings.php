<?php

namespace App\Meetings;

use App\Access\Perspective;
use App\Events\EventRecord;
use App\Events\Read\Scope;
use App\Events\Read\SeenOccurrences;
use App\Events\Read\SeenSeries;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Part;
use PinnedRota\Core\Overlay\PeopleCondition;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** What meets online now, or soon, of what somebody sees. */
final class OngoingMeetings
{
    /** So many seconds before it begins one can join. */
    public const BEFORE = 600;

    public function __construct(private readonly SeenOccurrences $occurrences, private readonly SeenSeries $seen)
    {
    }

    /** @return list<OngoingMeetingData> by when they begin */
    public function of(Perspective $perspective, Zone $zone): array
    {
        $now = now()->getTimestamp();
        // Asked each minute: of what is on at all and lasts no more than a day (see OccurrenceSpan), that has such a link, which is little.
        $series = DB::table('occurrences as o')->join('events as e', 'e.id', '=', 'o.event_id')->whereIntegerInRaw('o.calendar_id', $perspective->calendars->keys())
            ->where('o.starts_at', '<=', now()->addSeconds(self::BEFORE))->where('o.span', 0)->where('o.starts_at', '>', now()->subDay())->where('o.ends_at', '>', now())
            ->where('e.time_kind', TimeKind::Zoned->value)->where('e.details', 'like', '%CONFERENCE%')->distinct()->pluck('o.series_id')->map(intval(...))->all();
        if ($series === []) {
            return [];
        }
        $today = intdiv($zone->toLocal($now), CivilDate::SECONDS_PER_DAY);
        $mine = new Filter([new PeopleCondition([(int) $perspective->viewer->personId], Part::TakingPart)]);
        $own = $perspective->calendars->filter(static fn ($each): bool => $each->calendar->own_of !== null && $each->calendar->own_of === $perspective->viewer->personId)->keys()->all();
        $heads = EventRecord::query()->with(EventRecord::WHOLE)->findMany($series)->keyBy('id');
        $told = [];
        foreach ($this->occurrences->in($perspective, new Scope($perspective->calendars->keys()->all(), LocalDateTime::midnight($today - 1), LocalDateTime::midnight($today + 2), $zone, asked: [$mine], seriesIds: array_values($series))) as $seen) {
            $occurrence = $seen->occurrence;
            if (! $seen->isFull || $occurrence->status === Status::Cancelled || $occurrence->starts > $now + self::BEFORE || $occurrence->ends <= $now) {
                continue;
            }
            $whole = $this->seen->load($heads[$occurrence->seriesId]);
            $event = ($occurrence->recurrenceId === null ? null : $whole->find(RecurrenceId::parse($occurrence->recurrenceId))?->event) ?? $whole->events()[0];
            $url = MeetingLink::of($event);
            $isMine = in_array($occurrence->calendarId, $own, true) || $mine->takes($seen->facts);
            $key = "{$occurrence->seriesId} {$occurrence->recurrenceId}";
            if ($url !== null && ($isMine || ! isset($told[$key]))) {
                [$start] = $occurrence->on($zone);
                $told[$key] = new OngoingMeetingData($occurrence->seriesId, $occurrence->recurrenceId, $occurrence->title, $perspective->calendars[$occurrence->calendarId]->calendar->slug, $start->toMinute(), $url, $isMine);
            }
        }

        return array_values($told);
    }
}
