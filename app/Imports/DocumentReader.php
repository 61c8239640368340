<?php

namespace App\Imports;

use App\Organisation\Organisation;
use PinnedRota\Core\Documents\ChosenColumns;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Documents\Extraction;
use PinnedRota\Core\Documents\NotADocument;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Reads a document for events, as this organisation writes dates. */
final class DocumentReader
{
    public function __construct(private readonly Organisation $organisation)
    {
    }

    /**
     * @param  LocalDateTime  $today  the day on which it is read, see today()
     * @param  Vocabulary  $words  the names that whoever reads may know
     * @param  ?callable(int, string): ChosenColumns  $columns  see Extraction::of()
     *
     * @throws NotADocument
     */
    public function read(
        DocumentKind $kind,
        string $contents,
        LocalDateTime $today,
        Vocabulary $words,
        ?DateOrder $order = null,
        ?callable $columns = null,
    ): Extraction {
        $blocks = $kind->blocks($contents);
        $habits = $this->organisation->settings()->habits;
        $in = static fn (int $years): Extraction => Extraction::of($blocks, $words, $habits, $today, self::yearFrom($today, $years), $order, $columns);
        $isPast = static fn (ExtractedEvent $event): bool => $event->end->seconds <= $today->seconds;
        $read = $in(0);
        // In summer the year to come is written down: where all of it would be past, that one is meant.
        if (array_filter($read->events, $isPast) !== $read->events) {
            return $read;
        }
        $next = $in(1);

        return array_filter($next->events, $isPast) === $next->events ? $read : $next;
    }

    /** Midnight of the day that it is in a zone at a moment of UTC. */
    public static function today(Zone $zone, int $moment): LocalDateTime
    {
        return LocalDateTime::midnight((new LocalDateTime($zone->toLocal($moment)))->day());
    }

    /**
     * A date without its year is of the school’s year that is on, which begins in late summer.
     *
     * @param  int  $years  later
     */
    private static function yearFrom(LocalDateTime $today, int $years): LocalDateTime
    {
        $year = $years + (int) substr($today->toDate(), 0, 4) - (substr($today->toDate(), 5, 2) < '08' ? 1 : 0);

        return LocalDateTime::parse("{$year}-08-31");
    }
}
