<?php

namespace App\Overlays;

use App\Events\IndexedOccurrence;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Time\TimeKind;

/** What is known of the events of a window, for filters to ask. */
final readonly class KnownFacts
{
    /**
     * @param  array<int, string>  $descriptions  by event
     * @param  array<int, array{list<int>, list<int>}>  $people  who is responsible and who takes part, by event
     * @param  array<int, list<int>>  $joined  who has joined, by series
     */
    public function __construct(private bool $asksText, private array $descriptions, private array $people, private array $joined)
    {
    }

    /** @param  list<string>  $categories  in lower case */
    public function of(IndexedOccurrence $occurrence, array $categories): EventFacts
    {
        [$responsible, $takingPart] = $this->people[$occurrence->eventId] ?? [[], []];

        return new EventFacts(
            $occurrence->calendarId, false, $categories,
            $this->asksText ? mb_strtolower("{$occurrence->title}\n{$occurrence->place}\n".($this->descriptions[$occurrence->eventId] ?? '')) : '',
            $occurrence->createdBy, $responsible, [...$takingPart, ...($this->joined[$occurrence->seriesId] ?? [])],
            Status::from($occurrence->status), $occurrence->kind === TimeKind::Date, $occurrence->busy, $occurrence->place,
        );
    }
}
