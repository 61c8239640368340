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
use PinnedRota\Core\Documents\ChosenColumns;
use PinnedRota\Core\Documents\ColumnRole;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\DocumentEvents;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Documents\NotADocument;
use PinnedRota\Core\Documents\RowEdit;
use PinnedRota\Core\Documents\RowOver;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Import\Verdict;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What a document that is being brought in says of events, with what was put right of it. */
final class DocumentRows
{
    private const AT_ONCE = 500;

    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly LineVocabulary $vocabulary,
        private readonly Organisation $organisation,
        private readonly DocumentReader $reader,
        private readonly TableShapes $shapes,
        private readonly NamedCalendars $named,
        private readonly NamedPeople $people,
        private readonly RowCategories $categories,
        private readonly ClosedRows $closed,
        private readonly RecognisedRows $recognised,
        private readonly SeriesFields $fields,
        private readonly EventTranslator $translator,
    ) {
    }

    /** @throws ValidationException where the document cannot be read, or what was put right says no time */
    public function of(Import $import): ReadDocument
    {
        $zone = Zone::of($import->calendar->timezone);
        $today = DocumentReader::today($zone, $import->created_at?->getTimestamp() ?? now()->getTimestamp());
        $chosen = TableShapes::chosen($import->options['columns'] ?? [], $import->options['keys'] ?? []);
        $person = $this->viewer->person();
        try {
            $read = $this->reader->read(
                DocumentKind::from($import->kind),
                (string) Storage::get((string) $import->path),
                $today,
                $this->vocabulary->of($this->viewer),
                DateOrder::tryFrom((string) ($import->options['order'] ?? '')),
                fn (int $table, string $shape): ChosenColumns => $chosen[$table] ?? $this->shapes->of($person, $shape),
            );
        } catch (NotADocument $problem) {
            throw ValidationException::withMessages(['file' => $problem->getMessage()]);
        }
        $rows = $read->events;
        $left = $calendars = [];
        $edits = array_column($import->options['edits'] ?? [], null, 'row');
        foreach ($rows as $row => $found) {
            $edit = $edits[$row] ?? [];
            if (($edit['leftOut'] ?? false) === true) {
                $left[$row] = true;
            }
            [$calendars[$row], $found] = $this->onCalendar($found, $edit['calendar'] ?? null, $import->calendar);
            // What is put right is held against what is there, and not what was said before.
            $rows[$row] = $this->categories->held($edit === [] ? $found : $this->putRight($found, $edit, $row, $today), $calendars[$row]);
        }
        $rows = array_replace($rows, $this->closed->held(array_diff_key($rows, $left), $calendars, $zone));

        $events = DocumentEvents::of($rows, $zone, $this->people->of(...), $this->recognised->uids($rows, $calendars));

        return new ReadDocument($read->order, $rows, $events, $calendars, $left, $read->skipped, $read->tables);
    }

    /**
     * Of a document all is told: each row can be put right.
     *
     * @param  array<int, PlannedRow>  $planned  by row
     * @return list<ImportRowData>
     */
    public function told(Calendar $main, ReadDocument $read, array $planned): array
    {
        $changed = [];
        foreach ($planned as $row => $each) {
            if ($each->verdict === Verdict::Changed) {
                $changed[$read->calendars[$row]->id][$read->events[$row]->uid] = $read->events[$row];
            }
        }
        $changes = array_map($this->changes(...), array_keys($changed), $changed);
        $changes = $changed === [] ? [] : array_combine(array_keys($changed), $changes);
        $rows = [];
        foreach ($read->events as $row => $event) {
            $calendar = $read->calendars[$row];
            $found = $read->rows[$row];
            $rows[] = ImportRowData::told(
                isset($read->leftOut[$row]) ? 'leftOut' : $planned[$row]->verdict->value,
                $event,
                $row,
                $found,
                changes: $changes[$calendar->id][$event->uid] ?? [],
                calendar: $calendar->id === $main->id ? null : $calendar->slug,
                unknown: $this->people->unknown($found),
                newCategories: $this->categories->newOf($found, $calendar),
            );
        }

        return $rows;
    }

    /**
     * @param  array<string, mixed>  $edit
     *
     * @throws ValidationException
     */
    private function putRight(ExtractedEvent $found, array $edit, int $row, LocalDateTime $today): ExtractedEvent
    {
        // What is sent empty comes as nothing: it is to be empty then.
        $put = static fn (string $field): ?string => array_key_exists($field, $edit) ? (string) $edit[$field] : null;
        try {
            return (new RowEdit($edit['title'] ?? null, $edit['when'] ?? null, $put('place'), $put('category')))->of($found, $today, $this->organisation->settings()->habits);
        } catch (InvalidTime $problem) {
            throw ValidationException::withMessages(["edits.{$row}.when" => $problem->getMessage()]);
        }
    }

    /**
     * On which calendar a row goes: as somebody says, else as its table says, else where the document is brought in.
     *
     * @return array{Calendar, ExtractedEvent} with what is to be looked at, where the table names none that is known
     */
    private function onCalendar(ExtractedEvent $found, ?string $chosen, Calendar $main): array
    {
        $slug = $chosen === null ? null : ($chosen === $main->slug ? $main : $this->named->withSlug($chosen));
        if ($slug !== null) {
            return [$slug, $found];
        }
        $name = $found->fields[ColumnRole::Calendar->value] ?? '';
        if ($name === '') {
            return [$main, $found];
        }
        $named = $this->named->named($name);

        return $named === null ? [$main, $found->doubted($this->named->doubt($name, $main))] : [$named, $found];
    }

    /**
     * What would be another of those that are there, field by field.
     *
     * @param  array<string, Event>  $changed  as their rows say them, by UID
     * @return array<string, list<FieldChangeData>>
     */
    private function changes(int $calendarId, array $changed): array
    {
        $changes = [];
        foreach (array_chunk(array_keys($changed), self::AT_ONCE) as $some) {
            $heads = EventRecord::query()->where('calendar_id', $calendarId)->whereNull('series_id')->whereIn('uid', array_map(strval(...), $some));
            foreach ($heads->with(EventRecord::WHOLE)->get() as $head) {
                $now = $this->translator->series($head);
                $changes[$head->uid] = SeriesFields::differences($this->fields->ofSeries($calendarId, $now), $this->fields->ofSeries($calendarId, RowOver::of($now, new Series($changed[$head->uid]))));
            }
        }

        return $changes;
    }
}
