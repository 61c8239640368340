<?php

namespace App\Imports;

use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\Documents\ReadColumn;
use PinnedRota\Core\Documents\ReadTable;
use PinnedRota\Core\Documents\SkippedRow;
use PinnedRota\Core\Documents\SkipReason;
use PinnedRota\Core\ICalendar\Diagnostic;
use PinnedRota\Core\Import\Plan;

/** Tells what bringing something in would do, event by event. Nothing is changed by it. */
final class ImportPreviews
{
    private const ROWS_SHOWN = 200;

    /** Of words of a document so many characters are told. */
    private const SAID = 200;

    public function __construct(private readonly PlanImport $plan, private readonly DocumentRows $documents)
    {
    }

    /** @throws ValidationException where there is nothing to bring in */
    public function of(Import $import): ImportPreviewData
    {
        $planned = $this->plan->of($import);
        $read = $planned->document;
        if ($planned->isEmpty()) {
            throw ValidationException::withMessages(['file' => match (true) {
                $read !== null => 'No event was found in it: nothing in it says what is on which day.',
                $planned->diagnostics->total() === 0 => 'There are no events in this file.',
                default => 'No event in this file can be read. '.ucfirst((string) $planned->diagnostics->worstFirst()[0]).'.',
            }]);
        }
        $import->fill(['counts' => $planned->counts()])->save();
        $skipped = self::noteworthy($read->skipped ?? []);

        return new ImportPreviewData(
            id: $import->id,
            fileName: $import->file_name,
            kind: DocumentKind::from($import->kind),
            order: $read === null ? null : DateOrder::tryFrom((string) ($import->options['order'] ?? '')) ?? $read->order,
            counts: ImportCountsData::of($planned->counts()),
            rows: $read === null ? self::first($planned->plans[$import->calendar_id]) : $this->documents->told($import->calendar, $read, self::byRow($planned, $read)),
            problems: array_map(
                static fn (Diagnostic $each): ImportProblemData => new ImportProblemData($each->line, $each->property, $each->problem, $each->outcome),
                array_slice($planned->diagnostics->worstFirst(), 0, self::ROWS_SHOWN),
            ),
            problemCount: $planned->diagnostics->total(),
            skipped: array_map(static fn (SkippedRow $each): SkippedRowData => new SkippedRowData($each->line, mb_strimwidth($each->said, 0, self::SAID, '…'), $each->reason->words()), array_slice($skipped, 0, self::ROWS_SHOWN)),
            skippedCount: count($skipped),
            columns: self::columns($read->tables ?? []),
            gone: array_map(static fn (GoneEvent $each): GoneEventData => new GoneEventData($each->title, $each->start, $each->allDay), array_slice($planned->gone, 0, self::ROWS_SHOWN)),
            goneCount: count($planned->gone),
            takesGone: $import->options['gone'] ?? false,
        );
    }

    /**
     * @param  array<int, ReadTable>  $tables
     * @return list<ImportColumnData>
     */
    private static function columns(array $tables): array
    {
        $columns = [];
        foreach ($tables as $number => $table) {
            array_push($columns, ...array_map(static fn (ReadColumn $each): ImportColumnData => new ImportColumnData(
                $number, $each->column, $each->name, $each->role, $each->isKey, array_map(static fn (string $said): string => mb_strimwidth($said, 0, 40, '…'), $each->samples),
            ), $table->columns));
        }

        return $columns;
    }

    /** @return array<int, PlannedRow> what becomes of the rows that are brought in */
    private static function byRow(PlannedImport $planned, ReadDocument $read): array
    {
        $rows = [];
        foreach (array_diff_key($read->events, $read->leftOut) as $row => $event) {
            $rows[$row] = $planned->rows[$read->calendars[$row]->id][$event->uid];
        }

        return $rows;
    }

    /**
     * @param  list<SkippedRow>  $skipped
     * @return list<SkippedRow> those that somebody may miss
     */
    private static function noteworthy(array $skipped): array
    {
        return array_values(array_filter($skipped, static fn (SkippedRow $each): bool => ! in_array($each->reason, [SkipReason::Empty, SkipReason::Head], true)));
    }

    /** @return list<ImportRowData> the first of a file */
    private static function first(Plan $plan): array
    {
        $rows = [];
        foreach ($plan as $place => $planned) {
            $rows[$place] = ImportRowData::of($planned);
            if (count($rows) === 2 * self::ROWS_SHOWN) {
                ksort($rows);
                $rows = array_slice($rows, 0, self::ROWS_SHOWN, true);
            }
        }
        ksort($rows);

        return array_slice($rows, 0, self::ROWS_SHOWN);
    }
}
