<?php

namespace App\Imports;

use App\Calendars\Calendar;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Import\Plan;
use PinnedRota\Core\Import\PlannedSeries;
use PinnedRota\Core\Import\Verdict;

/** Works out what bringing something in would do now, as it was put right: for its preview, and again when it is brought in. */
final class PlanImport
{
    public function __construct(private readonly Intake $intake, private readonly DocumentRows $documents, private readonly GoneEvents $gone)
    {
    }

    /** @throws ValidationException where it cannot be read */
    public function of(Import $import): PlannedImport
    {
        $diagnostics = new Diagnostics;
        if ($import->kind === DocumentKind::Calendar->value) {
            $plans = [$import->calendar_id => $this->ofFile($import, $diagnostics)];

            return $this->withGone($import, $plans, [$import->calendar_id => $import->calendar], null, $diagnostics, self::there($plans, null));
        }
        $read = $this->documents->of($import);
        $calendars = [$import->calendar_id => $import->calendar];
        $there = [];
        foreach ($read->events as $row => $event) {
            $calendar = $read->calendars[$row];
            $calendars[$calendar->id] = $calendar;
            // What is left out is in it all the same.
            $there[$calendar->id][$event->uid] = false;
        }
        $wanted = $read->wanted();
        $plans = array_map(fn (Calendar $calendar): Plan => $this->intake->planOf($calendar, $wanted[$calendar->id] ?? []), $calendars);

        $rows = [];
        $known = self::there($plans, static function (int $calendarId, PlannedSeries $planned) use (&$rows): void {
            // What each says stands in the document: kept twice, it would be most of what is kept.
            $rows[$calendarId][$planned->series->uid()] = new PlannedRow($planned->verdict, $planned->fingerprint);
        });

        return $this->withGone($import, $plans, $calendars, $read, $diagnostics, self::merged($there, $known), $rows);
    }

    /**
     * @param  array<int, Plan>  $plans
     * @param  array<int, Calendar>  $calendars
     * @param  array<int, array<string, bool>>  $there
     * @param  array<int, array<string, PlannedRow>>  $rows
     */
    private function withGone(
        Import $import,
        array $plans,
        array $calendars,
        ?ReadDocument $read,
        Diagnostics $diagnostics,
        array $there,
        array $rows = [],
    ): PlannedImport {
        $gone = $this->gone->of($there);
        if (($import->options['gone'] ?? false) === true) {
            foreach ($gone as $each) {
                $calendars[$each->calendarId] ??= Calendar::query()->findOrFail($each->calendarId);
            }
            foreach ($calendars as $id => $calendar) {
                $uids = array_values(array_map(static fn (GoneEvent $each): string => $each->uid, array_filter($gone, static fn (GoneEvent $each): bool => $each->calendarId === $id)));
                $plans[$id] = $read === null ? $this->ofFile($import, new Diagnostics, $uids) : $this->intake->planOf($calendar, $read->wanted()[$id] ?? [], $uids);
            }
        }

        return new PlannedImport($plans, $calendars, $read, $diagnostics, $gone, $rows);
    }

    /**
     * @param  ?list<string>  $gone  UIDs of what is to go
     *
     * @throws ValidationException
     */
    private function ofFile(Import $import, Diagnostics $diagnostics, ?array $gone = null): Plan
    {
        try {
            return $this->intake->plan($import->calendar, Storage::readStream((string) $import->path), $diagnostics, $gone);
        } catch (NotICalendar $problem) {
            throw ValidationException::withMessages(['file' => $problem->getMessage()]);
        }
    }

    /**
     * @param  array<int, Plan>  $plans
     * @param  ?callable(int, PlannedSeries): void  $each  told of each of them
     * @return array<int, array<string, bool>> by calendar and UID; true what was there before
     */
    private static function there(array $plans, ?callable $each): array
    {
        $there = [];
        foreach ($plans as $id => $plan) {
            foreach ($plan as $planned) {
                $there[$id][$planned->series->uid()] = $planned->verdict !== Verdict::Added;
                if ($each !== null) {
                    $each($id, $planned);
                }
            }
        }

        return $there;
    }

    /**
     * @param  array<int, array<string, bool>>  $all
     * @param  array<int, array<string, bool>>  $known
     * @return array<int, array<string, bool>>
     */
    private static function merged(array $all, array $known): array
    {
        foreach ($known as $id => $uids) {
            $all[$id] = array_replace($all[$id] ?? [], $uids);
        }

        return $all;
    }
}
