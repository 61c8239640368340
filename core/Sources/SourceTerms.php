<?php

declare(strict_types=1);

namespace PinnedRota\Core\Sources;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Time\TimeKind;

/** What is taken of the events that a source has, and as what. */
final readonly class SourceTerms
{
    /**
     * @param  Filter  $filter  what must hold of an event, or of one of its times, for it to be taken
     * @param  ?bool  $busy  whether all of them take the time up; null: as each says
     * @param  list<string>  $categories  that all of them are given besides
     * @param  array<string, string>  $renamed  what categories are called here, by their name there in lower case; empty: left out
     */
    public function __construct(
        private Filter $filter = new Filter,
        private ?bool $busy = null,
        private array $categories = [],
        private array $renamed = [],
    ) {
    }

    /** What is taken of a series; null: nothing of it. */
    public function of(Series $series): ?Series
    {
        if (! $this->filter->isEmpty() && ! $this->takes($series)) {
            return null;
        }

        return $this->busy === null && $this->categories === [] && $this->renamed === [] ? $series : $series->each($this->told(...));
    }

    private function takes(Series $series): bool
    {
        foreach ($series->events() as $event) {
            if ($this->filter->takes(self::facts($event))) {
                return true;
            }
        }

        return false;
    }

    private function told(Event $event): Event
    {
        $categories = array_map(fn (string $each): string => $this->renamed[mb_strtolower($each)] ?? $each, $event->contents->categories);
        $named = array_values(array_unique(array_filter([...$categories, ...$this->categories], static fn (string $each): bool => $each !== '')));

        return $event->with(contents: $event->contents->with(busy: $this->busy, categories: $named));
    }

    private static function facts(Event $event): EventFacts
    {
        $is = $event->contents;

        return new EventFacts(
            0, categories: array_map(mb_strtolower(...), $is->categories), text: EventFacts::textOf($is->title, $is->place, $is->description), status: $is->status,
            allDay: $event->timing->start->kind === TimeKind::Date, busy: $is->busy, place: $is->place,
        );
    }
}
