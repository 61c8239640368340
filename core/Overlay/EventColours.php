<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** The colours of the events of a sheet where they stand for something else than layers. */
final class EventColours
{
    /** @var array<int|string, Colour> */
    private array $given = [];

    /**
     * @param  array<string, Colour>  $categories  of those that have one, by name in lower case
     * @param  array<int, Colour>  $calendars  by id
     */
    public function __construct(private readonly ColouredBy $by, private readonly array $categories = [], private readonly array $calendars = [])
    {
    }

    /**
     * The colour that stands for what the event is told apart by; null where it has nothing of it, or its viewer is not to know
     * it. Of several categories the first that has a colour counts, of several people the first.
     */
    public function of(EventFacts $event): ?Colour
    {
        foreach ($event->hidden && $this->by !== ColouredBy::Calendar ? [] : $this->keysOf($event) as $key) {
            $colour = $this->given[$key] ?? $this->colourOf($key);
            if ($colour !== null) {
                return $this->given[$key] = $colour;
            }
        }

        return null;
    }

    /** @return array<int|string, Colour> those that were given so far: by category in lower case, or by number of the calendar or person */
    public function given(): array
    {
        return $this->given;
    }

    /** @return list<int|string> */
    private function keysOf(EventFacts $event): array
    {
        return match ($this->by) {
            ColouredBy::Layer => [],
            ColouredBy::Category => $event->categories,
            ColouredBy::Calendar => [$event->calendarId],
            ColouredBy::Person => $event->responsible,
        };
    }

    private function colourOf(int|string $key): ?Colour
    {
        return match ($this->by) {
            ColouredBy::Layer => null,
            ColouredBy::Category => $this->categories[$key] ?? null,
            ColouredBy::Calendar => $this->calendars[(int) $key] ?? null,
            // Whoever has one has it on every sheet, whoever else is on that.
            ColouredBy::Person => Colour::cases()[(int) $key % count(Colour::cases())],
        };
    }
}
