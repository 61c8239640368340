<?php

namespace App\Imports;

use App\Calendars\Calendar;
use App\Events\Event;
use App\Events\SeriesWriter;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Import\Plan;
use PinnedRota\Core\Import\Verdict;
use PinnedRota\Core\Time\Zone;

/** Brings iCalendar into a calendar: what a stream holds compared with what came in before, and carried out. */
final class Intake
{
    public function __construct(private readonly SeriesWriter $writer)
    {
    }

    /**
     * @param  resource  $stream
     *
     * @throws NotICalendar
     */
    public function plan(Calendar $calendar, mixed $stream, Diagnostics $diagnostics): Plan
    {
        $reader = new CalendarReader($stream, $diagnostics, Zone::of($calendar->timezone));

        return Plan::compare($reader->events(), $this->known($calendar));
    }

    /**
     * Adds what is new and replaces what has changed; takes away what is missing only where $removing.
     *
     * @param  array<string, mixed>  $more  further columns of each row
     */
    public function carryOut(Calendar $calendar, Plan $plan, bool $removing, array $more): void
    {
        DB::transaction(function () use ($calendar, $plan, $removing, $more): void {
            foreach ($plan->series as $planned) {
                $columns = $more + ['fingerprint' => $planned->fingerprint];
                if ($planned->verdict === Verdict::Added) {
                    $this->writer->add($calendar->id, $planned->series, $columns);
                } elseif ($planned->verdict === Verdict::Changed) {
                    $head = $this->heads($calendar)->where('uid', $planned->series->uid())->firstOrFail();
                    $this->writer->replace($head, $planned->series, $columns);
                }
            }
            foreach ($removing ? array_chunk($plan->missing, 500) : [] as $uids) {
                foreach ($this->heads($calendar)->whereIn('uid', $uids)->get() as $head) {
                    $this->writer->delete($head);
                }
            }
        });
    }

    /** @return array<string, string> fingerprints by UID; an event written here and never brought in has an empty one */
    private function known(Calendar $calendar): array
    {
        return $this->heads($calendar)->pluck('fingerprint', 'uid')->map(fn (?string $fingerprint): string => (string) $fingerprint)->all();
    }

    private function heads(Calendar $calendar): mixed
    {
        return Event::query()->where('calendar_id', $calendar->id)->whereNull('series_id');
    }
}
