<?php

namespace App\Sources;

use App\Imports\DocumentReader;
use App\Overlays\LayerConditions;
use App\Rooms\Room;
use PinnedRota\Core\Documents\ColumnRole;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\DocumentEvents;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Documents\NotADocument;
use PinnedRota\Core\Documents\Page;
use PinnedRota\Core\Documents\Refusal;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Import\KnownSeries;
use PinnedRota\Core\Import\Plan;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\Sources\SourceTerms;
use PinnedRota\Core\Time\Zone;

/** Reads what an address answered with: a calendar, a table, or a page with those it leads to. */
final class SourceReader
{
    /** In octets: so much of it tells what it is. */
    private const BEGINNING = 20_000;

    public function __construct(private readonly DocumentReader $documents, private readonly LayerConditions $conditions)
    {
    }

    /**
     * @param  array<string, mixed>  $terms  as a source keeps them
     * @param  Zone  $zone  for times that do not say theirs
     *
     * @throws FetchFailed where no event can be read in it, with the reason
     */
    public function read(FetchedDocument $document, array $terms, Zone $zone, KnownSeries $known): ReadSource
    {
        $taken = $this->terms($terms)->of(...);
        assert($document->stream !== null);
        try {
            $kind = DocumentKind::of((string) stream_get_contents($document->stream, self::BEGINNING, 0));
            rewind($document->stream);
            if ($kind === DocumentKind::Calendar) {
                $diagnostics = new Diagnostics;
                $reader = new CalendarReader($document->stream, $diagnostics, $zone);
                $plan = Plan::compare($reader->events(), $known, $diagnostics, isRemoving: true, taken: $taken);
                $head = $reader->head();

                return new ReadSource($kind, $plan, $head->name, $head->askedAfter());
            }
            $found = $this->found($document, $kind, $terms, $zone);

            return new ReadSource($kind, Plan::compare(DocumentEvents::of($found, $zone), $known, isRemoving: true, taken: $taken), $this->nameOf($document, $kind), null);
        } catch (NotICalendar $problem) {
            throw new FetchFailed('What is at this address begins as a calendar and is none.', previous: $problem);
        } catch (NotADocument $problem) {
            throw new FetchFailed($problem->refusal === Refusal::Office ? 'At this address is a spreadsheet or a document of a word processor: that is brought in once, and not subscribed to.' : $problem->getMessage(), previous: $problem);
        }
    }

    /** @param  array<string, mixed>  $terms */
    public function terms(array $terms): SourceTerms
    {
        $renamed = array_column($terms['renamed'] ?? [], 'to', 'from');

        return new SourceTerms($this->conditions->filter($terms['conditions'] ?? [], 0), $terms['busy'] ?? null, $terms['categories'] ?? [], array_combine(array_map(mb_strtolower(...), array_keys($renamed)), $renamed));
    }

    /**
     * @param  array<string, mixed>  $terms
     * @return list<ExtractedEvent>
     *
     * @throws FetchFailed
     * @throws NotADocument
     */
    private function found(FetchedDocument $document, DocumentKind $kind, array $terms, Zone $zone): array
    {
        $today = DocumentReader::today($zone, now()->getTimestamp());
        $words = new Vocabulary(Room::query()->orderBy('name')->pluck('name')->all());
        $order = DateOrder::tryFrom((string) ($terms['order'] ?? ''));
        $found = [];
        foreach ([$document->url => $document->contents()] + $document->linked as $url => $contents) {
            $is = $url === $document->url ? $kind : DocumentKind::Page;
            foreach ($this->documents->read($is, $contents, $today, $words, $order)->events as $event) {
                // Each opens the page that says it.
                $found[] = $is === DocumentKind::Page ? $event->withField(ColumnRole::Link, (string) $url) : $event;
            }
        }
        $reason = $found === [] && $kind === DocumentKind::Page ? Page::withoutEvents($document->contents()) : null;
        if ($reason !== null) {
            throw new FetchFailed($reason->words());
        }

        return $found;
    }

    private function nameOf(FetchedDocument $document, DocumentKind $kind): string
    {
        $name = $kind === DocumentKind::Page ? Page::title($document->contents()) : pathinfo((string) parse_url($document->url, PHP_URL_PATH), PATHINFO_FILENAME);

        return mb_strimwidth(trim($name), 0, 120, '…');
    }
}
