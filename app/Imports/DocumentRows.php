<?php

namespace App\Imports;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\History\FieldChangeData;
use App\History\SeriesFields;
use App\OneLine\LineVocabulary;
use App\Organisation\Organisation;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\DocumentEvents;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\Documents\NotADocument;
use PinnedRota\Core\Documents\RowEdit;
use PinnedRota\Core\Import\Plan;
use PinnedRota\Core\Import\PlannedSeries;
use PinnedRota\Core\Import\Verdict;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\Zone;

/** What a document that is being brought in says of events, with what was put right of it. */
final class DocumentRows
{
    private const AT_ONCE = 500;

    public function __construct(private readonly CurrentViewer $viewer, private readonly LineVocabulary $vocabulary, private readonly Organisation $organisation, private readonly DocumentReader $reader, private readonly SeriesFields $fields, private readonly EventTranslator $translator)
    {
    }

    /** @throws ValidationException where the document cannot be read, or what was put right says no time */
    public function of(Import $import): ReadDocument
    {
        $settings = $this->organisation->settings();
        $zone = Zone::of($import->calendar->timezone);
        $today = DocumentReader::today($zone, $import->created_at?->getTimestamp() ?? now()->getTimestamp());
        try {
            $read = $this->reader->read(DocumentKind::from($import->kind), (string) Storage::get((string) $import->path), $today, $this->vocabulary->of($this->viewer), DateOrder::tryFrom((string) ($import->options['order'] ?? '')));
        } catch (NotADocument $problem) {
            throw ValidationException::withMessages(['file' => $problem->getMessage()]);
        }
        $rows = $read->events;
        $left = [];
        foreach ($import->options['edits'] ?? [] as $edit) {
            $row = (int) $edit['row'];
            if (! isset($rows[$row])) {
                continue;
            }
            if (($edit['leftOut'] ?? false) === true) {
                $left[$row] = true;
            }
            try {
                $rows[$row] = (new RowEdit($edit['title'] ?? null, $edit['when'] ?? null, $edit['place'] ?? null))->of($rows[$row], $today, $settings->habits);
            } catch (InvalidTime $problem) {
                throw ValidationException::withMessages(["edits.{$row}.when" => $problem->getMessage()]);
            }
        }

        return new ReadDocument($read->order, $rows, DocumentEvents::of($rows, $zone), $left, $read->skipped);
    }

    /** @return list<ImportRowData> all of a document: each can be put right */
    public function told(Calendar $calendar, ReadDocument $read, Plan $plan): array
    {
        $planned = [];
        foreach ($plan as $each) {
            $planned[$each->series->uid()] = $each;
        }
        $changes = $this->changes($calendar, array_filter($planned, static fn (PlannedSeries $each): bool => $each->verdict === Verdict::Changed));
        $rows = [];
        foreach ($read->events as $row => $event) {
            $rows[] = ImportRowData::told(isset($read->leftOut[$row]) ? 'leftOut' : $planned[$event->uid]->verdict->value, $event, $row, $read->rows[$row], $changes[$event->uid] ?? []);
        }

        return $rows;
    }

    /**
     * What would be another of those that are there, field by field.
     *
     * @param  array<string, PlannedSeries>  $changed  by UID
     * @return array<string, list<FieldChangeData>>
     */
    private function changes(Calendar $calendar, array $changed): array
    {
        $changes = [];
        foreach (array_chunk(array_keys($changed), self::AT_ONCE) as $some) {
            foreach (EventRecord::query()->where('calendar_id', $calendar->id)->whereNull('series_id')->whereIn('uid', array_map(strval(...), $some))->with(EventRecord::WHOLE)->get() as $head) {
                $changes[$head->uid] = SeriesFields::differences($this->fields->ofSeries($calendar->id, $this->translator->series($head)), $this->fields->ofSeries($calendar->id, $changed[$head->uid]->series));
            }
        }

        return $changes;
    }
}
