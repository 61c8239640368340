<?php

namespace App\Following;

use App\Access\AccessReader;
use App\Access\Perspective;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Events\Read\StandingTime;
use Closure;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Notices\NoticeTime;
use PinnedRota\Core\Notices\NoticeWords;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Zone;

/** Tells people one thing of an event as it happens, whatever else they follow: under what waits for them, and by mail, as soon as it can no longer be taken back at once. What they do not see is not told. */
final class TellAtOnce
{
    private const AT_ONCE = 100;

    public function __construct(private readonly AccessReader $access, private readonly SeenSeries $seen, private readonly NoticesPut $notices)
    {
    }

    /**
     * @param  string  $time  the name of the time that is meant, of a series; empty: all of it
     * @param  array<int>  $people  by id
     * @param  Closure(NoticeWords, NoticeTime): string  $words
     * @param  Closure(Person): array{bool, bool}  $ways  whether somebody is told under what waits for them, and by mail
     * @param  array{remark?: int}  $about  what it is told of, so that it is not told any more once that is gone
     */
    public function tell(EventRecord $head, string $time, array $people, Closure $words, Closure $ways, array $about = []): void
    {
        $series = $this->seen->load($head);
        $event = ($time === '' ? null : $series->find(RecurrenceId::parse($time))?->event) ?? $series->events()[0];
        $occurrence = $time === '' ? StandingTime::of($series, $event) : $series->find(RecurrenceId::parse($time));
        if ($occurrence === null) {
            return;
        }
        $told = NoticeTime::of($occurrence, $time === '' ? null : $time);
        foreach (array_chunk(array_unique($people), self::AT_ONCE) as $some) {
            $this->put(Person::query()->whereIntegerInRaw('id', $some)->where('status', 'active')->get(), function (Person $person) use ($head, $event, $told, $words, $ways, $about): ?array {
                [$inInbox, $byMail] = $ways($person);
                $calendar = $inInbox || $byMail ? $this->calendar($head, $event, $this->access->eyesOf($person)) : null;
                $zone = Zone::of($person->timezone);
                $today = intdiv($zone->toLocal(now()->getTimestamp()), CivilDate::SECONDS_PER_DAY);
                $day = $told->start($zone)->local;

                return $calendar === null ? null : [
                    'words' => $words(new NoticeWords($zone, $today), $told), 'change' => '', 'calendar' => $calendar, 'series' => [$head->id], 'times' => $told->name === null ? [] : [$told->name],
                    // What is over is told all the same.
                    'on' => $day->day() < $today ? null : $day->toDate(), 'names' => true, 'inbox' => $inInbox, 'mail' => $byMail, 'was' => null,
                ] + $about;
            });
        }
    }

    /** @return ?int by which calendar somebody sees it in full, its own first; null where by none */
    private function calendar(EventRecord $head, Event $event, Perspective $perspective): ?int
    {
        return $this->seen->isFull($head, $event, $perspective) ? array_key_first($this->seen->ways($head, $perspective)) : null;
    }

    /**
     * @param  iterable<Person>  $people
     * @param  Closure(Person): ?array<string, mixed>  $line
     */
    private function put(iterable $people, Closure $line): void
    {
        $rows = $written = [];
        foreach ($people as $person) {
            $each = $line($person);
            if ($each === null) {
                continue;
            }
            $rows[] = ['person_id' => $person->id, 'lines' => [$each]];
            if ($each['mail']) {
                $written[$person->id] = mb_strtolower($person->email);
            }
        }
        if ($rows !== []) {
            $this->notices->put($rows, $written, null, now()->addSeconds((int) config('rota.letters.undo_seconds')));
        }
    }
}
