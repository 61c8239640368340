<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\Time\DateWords;

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

    private const AND = '(?:\s?,\s(?:and\s)?|\s(?:and|&)\s)';

    private const WORD = '[\p{L}\p{N}’\'&-]+';

    private const WORDS = self::WORD.'(?:\s'.self::WORD.'){0,2}';

    /** A word that begins with a capital, and is no day and no month: “with Oda Lindqvarn”, not “with Oda Fri”. */
    private const CAPITAL = '(?!(?:'.DateWords::WEEKDAY.'|'.DateWords::MONTH.')\b)(?-i:\p{Lu})[\p{L}’\'-]*';

    private readonly Names $persons;

    private readonly Names $teams;

    private readonly Names $places;

    private readonly Names $calendars;

    private readonly Names $kinds;

    private readonly Names $booked;

    public function __construct(private readonly Line $line, private readonly Vocabulary $words)
    {
        $this->persons = Names::ofPeople($words->people);
        $this->teams = new Names($words->groups);
        $this->places = new Names($words->places);
        $this->calendars = new Names($words->calendars);
        $this->kinds = new Names($words->categories);
        $this->booked = new Names($words->rooms);
    }

    /** What a mark stands before. */
    public function marks(): void
    {
        // A category that is not known is one word.
        $this->line->take(PieceKind::Category, '/(?<![\p{L}\p{N}])#(?<name>(?:'.$this->kinds->pattern().'(?![\p{L}\p{N}_-])|[\p{L}\p{N}][\p{L}\p{N}_-]*))/ui', function (array $found): bool {
            $this->categories = array_values(array_unique([...$this->categories, $this->kinds->asKnown($found['name'])]));

            return true;
        });
        foreach ([[PieceKind::Person, $this->persons], [PieceKind::Group, $this->teams], [PieceKind::Place, $this->places]] as [$kind, $names]) {
            $this->find($kind, '/(?<![\p{L}\p{N}])@(?<name>'.$names->pattern().')'.self::after($kind).'/ui');
        }
    }

    /** What stands there by its name: on which calendar, where, and who it is with or by. */
    public function names(): void
    {
        $this->find(PieceKind::Calendar, Edge::around('on\s(?:the\s)?(?<name>'.$this->calendars->pattern().')(?:\scalendar)?'), 1);
        $this->find(PieceKind::Place, Edge::around('(?:(?:at|in)\s(?:the\s)?)?(?<name>'.$this->places->pattern().')'));
        $person = $this->persons->pattern().self::after(PieceKind::Person);
        $team = $this->teams->pattern().self::after(PieceKind::Group);
        $this->find(PieceKind::Responsible, "/(?<![\\p{L}\\p{N}])by\\s(?<name>{$person})/ui");
        $this->find(PieceKind::Person, "/(?<![\\p{L}\\p{N}])with\\s(?<name>{$person})/ui");
        $this->find(PieceKind::Group, "/(?<![\\p{L}\\p{N}])(?:for|with)\\s(?<name>{$team})/ui");
        // By themselves two at least, written as names: “Rufus and Esi”.
        $this->find(PieceKind::Person, "/(?<![\\p{L}\\p{N}])(?<name>(?-i:{$person})(?=".self::AND."(?-i:{$person})))/u", 1);
        do {
            $before = count($this->people) + count($this->groups);
            $this->find(PieceKind::Person, '/(?<=\x01)'.self::AND."(?<name>{$person})/ui", 1);
            $this->find(PieceKind::Group, '/(?<=\x01)'.self::AND."(?<name>{$team})/ui", 1);
        } while (count($this->people) + count($this->groups) > $before);
    }

    /** Names that are nearly known, or that several go by. */
    public function misspelt(): void
    {
        $shared = Names::shared($this->words->people);
        $who = function (string $name) use ($shared): array {
            $several = $shared[mb_strtolower($name)] ?? null;

            return $several === null ? [DoubtReason::Unknown, self::some($this->nearPerson($name))] : [DoubtReason::Several, $several];
        };
        $first = $shared === [] ? '(*FAIL)' : implode('|', array_map(static fn (string $name): string => preg_quote($name, '/'), array_keys($shared)));
        $this->line->doubt(PieceKind::Person, '/(?<=with\s|by\s)(?<name>'.self::CAPITAL.'(?:\s'.self::CAPITAL.')?|(?:'.$first.'))(?![\p{L}\p{N}’\'])/ui', function (array $found) use ($who): ?array {
            // “by Hand” may be anything; it is a name where one is near, or stands after “with”.
            return $this->teams->near($found['name']) === null ? $who($found['name']) : null;
        });
        $this->near(PieceKind::Group, '(?<![\p{L}\p{N}])(?:for|with)\s(?:the\s)?\K', $this->teams);
        $this->near(PieceKind::Place, '(?<![\p{L}\p{N}])(?:at|in)\s(?:the\s)?\K', $this->places);
        $this->line->doubt(PieceKind::Calendar, '/(?<=on\sthe\s)(?<name>'.self::WORDS.')(?=\scalendar(?![\p{L}\p{N}]))/ui', fn (array $found): array => [DoubtReason::Unknown, self::some($this->calendars->near($found['name']))]);
        $this->near(PieceKind::Calendar, '(?<![\p{L}\p{N}])on\s(?:the\s)?\K', $this->calendars);
        // The rest after an @ is nobody and nowhere.
        $this->line->doubt(PieceKind::Person, '/(?<![\p{L}\p{N}])@(?<name>'.$first.')(?![\p{L}\p{N}])/ui', static fn (array $found): array => [DoubtReason::Several, array_map(static fn (string $name): string => "@{$name}", $shared[mb_strtolower($found['name'])] ?? [])]);
        foreach ([[PieceKind::Group, $this->teams], [PieceKind::Place, $this->places], [PieceKind::Person, $this->persons]] as [$kind, $names]) {
            $this->near($kind, '(?<![\p{L}\p{N}])@', $names, '@');
        }
        $this->line->doubt(PieceKind::Person, '/(?<![\p{L}\p{N}])@\p{L}[\p{L}\p{N}’\'-]*/ui', static fn (): array => [DoubtReason::Unknown, []]);
        foreach ($this->categories as $category) {
            if ($this->kinds->keyOf($category) === null) {
                $near = $this->kinds->near($category);
                $this->line->doubtPiece("#{$category}", $near === null ? DoubtReason::NewName : DoubtReason::Unknown, $near === null ? [] : ["#{$near}"]);
            }
        }
    }

    /** A place that is not known, where it is written as a name: “at Breck Haven”. */
    public function place(): void
    {
        $this->find(PieceKind::Place, '/(?<![\p{L}\p{N}])(?:at|in)\s(?:the\s)?(?<name>\p{Lu}[\p{L}\p{N}’\'-]*(?:\s\p{Lu}[\p{L}\p{N}’\'-]*)*)/u', 1);
    }

    /** Names without anything that says what they are there for: they stay in the title, and may be meant. */
    public function loose(): void
    {
        $this->line->doubt(PieceKind::Place, Edge::around('(?<name>'.$this->places->pattern().')'), static fn (): array => [DoubtReason::Second, []]);
        $this->line->doubt(PieceKind::Person, '/(?<![\p{L}\p{N}@])(?<name>(?-i:'.$this->persons->pattern().'))(?![\p{L}\p{N}’\'-])(?!\s\p{Lu})/u', static fn (array $found): array => [DoubtReason::Loose, ["with {$found['name']}"]]);
        $this->line->doubt(PieceKind::Category, Edge::around('(?<name>'.$this->kinds->pattern().')'), function (array $found): ?array {
            $known = $this->kinds->asKnown($found['name']);

            return in_array($known, $this->categories, true) ? null : [DoubtReason::Loose, ["{$found['name']} #{$known}"]];
        });
    }

    /** Takes the names of one kind that a pattern finds, so many at most. */
    private function find(PieceKind $kind, string $pattern, int $most = PHP_INT_MAX): void
    {
        $this->line->take($kind, $pattern, fn (array $found): bool => $this->met($kind, $found['name']), $most);
    }

    /** Marks one to three words that are nearly one of some names. */
    private function near(PieceKind $kind, string $before, Names $names, string $mark = ''): void
    {
        $word = self::WORD;
        foreach (["{$word}\\s{$word}\\s{$word}", "{$word}\\s{$word}", $word] as $words) {
            $this->line->doubt($kind, "/{$before}(?<name>{$words})(?![\\p{L}\\p{N}])/ui", static function (array $found) use ($names, $mark): ?array {
                $near = $names->near($found['name']);

                return $near === null ? null : [DoubtReason::Unknown, [$mark.$near]];
            });
        }
    }

    private function nearPerson(string $name): ?string
    {
        $near = $this->persons->near($name);

        return $near === null ? null : $this->words->people[$this->persons->idOf($near)];
    }

    private function met(PieceKind $kind, string $name): bool
    {
        switch ($kind) {
            case PieceKind::Place:
                if ($this->place !== '') {
                    return false;
                }
                $this->place = $this->places->asKnown($name);
                // A room that is named is booked.
                $room = $this->booked->idOf($name);
                $this->rooms = $room === 0 ? [] : [$room];

                return true;
            case PieceKind::Calendar:
                $this->calendar = (string) $this->calendars->keyOf($name);

                return true;
            case PieceKind::Group:
                $this->groups[] = $this->teams->idOf($name);

                return true;
            case PieceKind::Responsible:
                $this->responsible[] = $this->persons->idOf($name);

                return true;
            default:
                $this->people[] = $this->persons->idOf($name);

                return true;
        }
    }

    /** After a person stands no other name: who is “Oda Lindqvist” is not “Oda”. */
    private static function after(PieceKind $kind): string
    {
        return '(?![\p{L}\p{N}’\'-])'.($kind === PieceKind::Person ? '(?!\s'.self::CAPITAL.')' : '');
    }

    /** @return list<string> */
    private static function some(?string $name): array
    {
        return $name === null ? [] : [$name];
    }
}
