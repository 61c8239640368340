<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** Finds the names of categories, people, groups, places and calendars in a line. */
final class NameReader
{
    public string $place = '';

    /** @var list<string> */
    public array $categories = [];

    /** @var list<int> */
    public array $people = [];

    /** @var list<int> */
    public array $groups = [];

    /** @var list<int> */
    public array $responsible = [];

    /** @var list<int> */
    public array $rooms = [];

    public ?string $calendar = null;

    public function __construct(private readonly Line $line, private readonly Vocabulary $words)
    {
    }

    /** What a mark stands before. */
    public function marks(): void
    {
        $known = self::alternatives($this->words->categories);
        // A category that is not known is one word.
        $this->line->take(PieceKind::Category, "/(?<![\\p{L}\\p{N}])#(?<name>{$known}[\\p{L}\\p{N}][\\p{L}\\p{N}_-]*)/ui", function (array $found): bool {
            $this->categories[] = self::asKnown($found['name'], $this->words->categories);
            $this->categories = array_values(array_unique($this->categories));

            return true;
        });
        foreach ([[PieceKind::Person, $this->words->people], [PieceKind::Group, $this->words->groups], [PieceKind::Place, $this->words->places]] as [$kind, $names]) {
            if ($names !== []) {
                $this->line->take($kind, '/(?<![\p{L}\p{N}])@(?<name>'.rtrim(self::alternatives($names), '|').')(?![\p{L}\p{N}])/ui', fn (array $found): bool => $this->met($kind, $found['name']));
            }
        }
    }

    /** What stands there by its full name: who it is with or by, on which calendar, and where. */
    public function names(): void
    {
        if ($this->words->people !== []) {
            $people = rtrim(self::alternatives($this->words->people), '|');
            $this->line->take(PieceKind::Responsible, "/(?<![\\p{L}\\p{N}])by\\s(?<name>{$people})(?![\\p{L}\\p{N}])/ui", fn (array $found): bool => $this->met(PieceKind::Responsible, $found['name']));
            $this->line->take(PieceKind::Person, "/(?<![\\p{L}\\p{N}])(?:with|and)\\s(?<name>{$people})(?![\\p{L}\\p{N}])/ui", fn (array $found): bool => $this->met(PieceKind::Person, $found['name']));
        }
        if ($this->words->groups !== []) {
            $groups = rtrim(self::alternatives($this->words->groups), '|');
            $this->line->take(PieceKind::Group, "/(?<![\\p{L}\\p{N}])(?:for|with)\\s(?<name>{$groups})(?![\\p{L}\\p{N}])/ui", fn (array $found): bool => $this->met(PieceKind::Group, $found['name']));
        }
        if ($this->words->calendars !== []) {
            $calendars = rtrim(self::alternatives($this->words->calendars), '|');
            $this->line->take(PieceKind::Calendar, "/(?<![\\p{L}\\p{N}])on\\s(?:the\\s)?(?<name>{$calendars})(?:\\scalendar)?(?![\\p{L}\\p{N}])/ui", fn (array $found): bool => $this->met(PieceKind::Calendar, $found['name']), 1);
        }
        if ($this->words->places !== []) {
            $places = rtrim(self::alternatives($this->words->places), '|');
            $this->line->take(PieceKind::Place, "/(?<![\\p{L}\\p{N}])(?:(?:at|in)\\s(?:the\\s)?)?(?<name>{$places})(?![\\p{L}\\p{N}])/ui", fn (array $found): bool => $this->met(PieceKind::Place, $found['name']));
        }
    }

    /** A place that is not known, where it is written as a name: “at Breck Haven”. */
    public function place(): void
    {
        $this->line->take(PieceKind::Place, '/(?<![\p{L}\p{N}])(?:at|in)\s(?:the\s)?(?<name>\p{Lu}[\p{L}\p{N}’\'-]*(?:\s\p{Lu}[\p{L}\p{N}’\'-]*)*)/u', fn (array $found): bool => $this->met(PieceKind::Place, $found['name']), 1);
    }

    private function met(PieceKind $kind, string $name): bool
    {
        switch ($kind) {
            case PieceKind::Place:
                if ($this->place !== '') {
                    return false;
                }
                $this->place = self::asKnown($name, $this->words->places);
                // A room that is named is booked.
                $room = (int) self::keyOf($name, $this->words->rooms);
                $this->rooms = $room === 0 ? [] : [$room];

                return true;
            case PieceKind::Calendar:
                $this->calendar = (string) self::keyOf($name, $this->words->calendars);

                return true;
            case PieceKind::Group:
                $this->groups[] = (int) self::keyOf($name, $this->words->groups);

                return true;
            case PieceKind::Responsible:
                $this->responsible[] = (int) self::keyOf($name, $this->words->people);

                return true;
            default:
                $this->people[] = (int) self::keyOf($name, $this->words->people);

                return true;
        }
    }

    /** @param  array<array-key, string>  $names  longest first, each followed by a bar, so that the longest is found */
    private static function alternatives(array $names): string
    {
        usort($names, static fn (string $a, string $b): int => mb_strlen($b) <=> mb_strlen($a));

        return implode('', array_map(static fn (string $name): string => str_replace('\ ', '\s', preg_quote($name, '/')).'|', array_filter($names, static fn (string $name): bool => $name !== '')));
    }

    /** @param  array<array-key, string>  $names */
    private static function keyOf(string $name, array $names): int|string
    {
        $sought = self::plain($name);
        foreach ($names as $key => $each) {
            if (self::plain($each) === $sought) {
                return $key;
            }
        }

        return 0;
    }

    /** @param  list<string>  $names */
    private static function asKnown(string $name, array $names): string
    {
        $sought = self::plain($name);
        foreach ($names as $each) {
            if (self::plain($each) === $sought) {
                return $each;
            }
        }

        return $name;
    }

    private static function plain(string $name): string
    {
        return mb_strtolower((string) preg_replace('/\s+/u', ' ', trim($name)));
    }
}
