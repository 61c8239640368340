<?php

namespace App\Following;

use App\Access\Perspective;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\History\OperationSeries;
use App\History\RecordOfState;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Notices\ChangeLines;
use PinnedRota\Core\Notices\FollowedChange;
use PinnedRota\Core\Notices\NoticeItem;
use PinnedRota\Core\Notices\NoticeLine;
use PinnedRota\Core\Notices\NoticeWords;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Zone;
use WeakMap;

/**
 * Makes the lines of a notice, and leaves of them what whoever it is for may still see when they are told.
 *
 * @phpstan-type Line array{words: string, change: string, calendar: int, series: list<int>, times: list<string>, on: ?string, names: bool, inbox: bool, mail: bool, was: ?array{int, bool}, remark?: int}
 */
final class NoticeLines
{
    /** @var WeakMap<Reckoned, array<string, list<Line>>> by zone: of what several have together they are made once */
    private readonly WeakMap $made;

    public function __construct(private readonly SeenSeries $seen)
    {
        $this->made = new WeakMap;
    }

    /**
     * @param  string  $timezone  of whoever is told
     * @return list<Line>
     */
    public function of(Reckoned $reckoned, string $timezone): array
    {
        $made = $this->made[$reckoned] ?? [];
        $made[$timezone] ??= self::make($reckoned, Zone::of($timezone));
        $this->made[$reckoned] = $made;

        return $made[$timezone];
    }

    /** @return list<Line> */
    private static function make(Reckoned $reckoned, Zone $zone): array
    {
        $today = intdiv($zone->toLocal(now()->getTimestamp()), CivilDate::SECONDS_PER_DAY);
        $byWay = [];
        foreach ($reckoned->items as $each) {
            $byWay[($each->inInbox ? 'inbox ' : '').($each->byMail ? 'mail' : '')][] = $each;
        }
        $lines = [];
        foreach ($byWay as $some) {
            foreach (ChangeLines::of(array_map(static fn (FollowedItem $each): NoticeItem => $each->item, $some), $zone, $today) as $line) {
                $lines[] = self::stored($line, $some[0]->inInbox, $some[0]->byMail, self::was($line, $some));
            }
        }
        $words = new NoticeWords($zone, $today);
        foreach ($reckoned->answers as $each) {
            $time = $each->answers[0]->time;
            $line = new NoticeLine($words->answers($each->answers), FollowedChange::Answered, $each->calendarId, [$each->series], $time->name === null ? [] : [$time->name], $time->start($zone)->local->toDate(), true);
            $lines[] = self::stored($line, $each->inInbox, $each->byMail, null);
        }

        return $lines;
    }

    /**
     * Those that somebody may still be told: of which they see what they name, now, or where it is gone, as it was.
     *
     * @param  list<Line>  $lines
     * @return list<Line>
     */
    public function seen(array $lines, Perspective $perspective): array
    {
        $heads = EventRecord::withTrashed()->whereNull('series_id')->with(EventRecord::WHOLE)->findMany(array_unique(array_merge([], ...array_map(static fn (array $line): array => $line['names'] ? $line['series'] : [], $lines))))->keyBy('id');
        $were = OperationSeries::query()->findMany(array_filter(array_map(static fn (array $line): ?int => $line['was'][0] ?? null, $lines)))->keyBy('id');

        $remarks = array_filter(array_column($lines, 'remark'));
        $remarks = $remarks === [] ? [] : DB::table('event_remarks')->whereIntegerInRaw('id', $remarks)->pluck('id')->all();

        return array_values(array_filter($lines, function (array $line) use ($heads, $were, $remarks, $perspective): bool {
            // What somebody has taken back is told no more.
            if (isset($line['remark']) && ! in_array($line['remark'], $remarks, true)) {
                return false;
            }
            if (! $perspective->eventLevel($line['calendar'])->includes($line['names'] && $line['was'] === null ? Level::BusyTimes : Level::See)) {
                return false;
            }
            if (! $line['names']) {
                return true;
            }
            if ($line['was'] !== null) {
                $row = $were[$line['was'][0]] ?? null;
                $state = $line['was'][1] ? $row?->after() : $row?->before();

                return $state !== null && $this->isSeen(RecordOfState::head($state), $line['times'], $perspective);
            }
            $head = $heads[$line['series'][0]] ?? null;

            return $head !== null && $this->isSeen($head, $line['times'], $perspective);
        }));
    }

    /** @param  list<string>  $times  names of those times of it that are told */
    private function isSeen(EventRecord $head, array $times, Perspective $perspective): bool
    {
        $series = $this->seen->load($head);
        foreach ($times as $name) {
            $event = $series->find(RecurrenceId::parse($name))?->event;
            if ($event !== null && $this->seen->visibility($head, $event, $perspective) !== Visibility::Full) {
                return false;
            }
        }

        return $this->seen->asSuch($head, $perspective) === Visibility::Full;
    }

    /**
     * @param  ?array{int, bool}  $was
     * @return Line
     */
    private static function stored(NoticeLine $line, bool $inInbox, bool $byMail, ?array $was): array
    {
        return [
            'words' => $line->words, 'change' => $line->change->value, 'calendar' => $line->calendarId, 'series' => $line->names ? $line->series : [], 'times' => $line->times, 'on' => $line->on, 'names' => $line->names,
            'inbox' => $inInbox, 'mail' => $byMail, 'was' => $was,
        ];
    }

    /**
     * @param  non-empty-list<FollowedItem>  $items
     * @return ?array{int, bool}
     */
    private static function was(NoticeLine $line, array $items): ?array
    {
        foreach ($line->names ? $items : [] as $each) {
            if ($each->item->series === $line->series[0] && $each->item->change === $line->change && $each->was !== null) {
                return $each->was;
            }
        }

        return null;
    }
}
