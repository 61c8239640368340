<?php

namespace App\Events\Read;

use PinnedRota\Core\Events\IndexedOccurrence;
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

    /**
     * @param  IndexedOccurrence  $seen  as its viewer sees it
     * @param  list<string>  $categories  in lower case
     * @param  bool  $hidden  whether they see that the time is taken and nothing else
     * @param  ?int  $alone  whom alone of those who take part they see, beside who is responsible: themselves, where they are only asked to it
     */
    public function of(IndexedOccurrence $seen, array $categories, bool $hidden, ?int $alone = null): EventFacts
    {
        if ($hidden) {
            return new EventFacts($seen->calendarId, true, allDay: $seen->kind === TimeKind::Date);
        }
        [$responsible, $takingPart] = $this->people[$seen->eventId] ?? [[], []];

        if ($alone !== null) {
            $takingPart = array_values(array_intersect($takingPart, [$alone, ...$responsible]));
        }

        return new EventFacts(
            $seen->calendarId, false, $categories,
            $this->asksText ? EventFacts::textOf($seen->title, $seen->place, $this->descriptions[$seen->eventId] ?? '') : '',
            $seen->createdBy, $responsible, $this->joined === [] || $alone !== null ? $takingPart : [...$takingPart, ...$this->joined[$seen->seriesId] ?? []],
            $seen->status, $seen->kind === TimeKind::Date, $seen->busy, $seen->place,
        );
    }
}
