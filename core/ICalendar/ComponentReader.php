<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use Generator;

/**
 * Components of the VCALENDARs in a stream, one at a time, so that memory does not grow with the file.
 *
 * Bounds: components nest MAX_DEPTH deep, and one holds MAX_PROPERTIES properties; what is past them is left out
 * with a diagnostic.
 */
final class ComponentReader
{
    public const MAX_DEPTH = 10;

    public const MAX_PROPERTIES = 20_000;

    /** What stands in a VCALENDAR and nowhere else: where one begins, whatever is open has come to its end. */
    private const OUTERMOST = ['VEVENT' => true, 'VTODO' => true, 'VJOURNAL' => true, 'VFREEBUSY' => true, 'VTIMEZONE' => true, 'VAVAILABILITY' => true];

    /** Of one calendar; what it says more than this of itself is left out. */
    private const MOST_CALENDAR_PROPERTIES = 1_000;

    /** @var array<string, non-empty-list<Property>> of the VCALENDAR being read, by name */
    private array $calendarProperties = [];

    /** @var ?array<string, non-empty-list<Property>> of the first, once another is read */
    private ?array $firstProperties = null;

    private int $propertyCount = 0;

    private int $calendarLine = 0;

    /** @param  resource  $stream */
    public function __construct(private readonly mixed $stream, private readonly Diagnostics $diagnostics)
    {
    }

    /** A property of the VCALENDAR being read, such as X-WR-CALNAME; those that stand before the first component are known. */
    public function calendarProperty(string $name): ?Property
    {
        return $this->calendarProperties[$name][0] ?? null;
    }

    /** @return array<string, non-empty-list<Property>> by name, those of the first VCALENDAR, as far as they are known */
    public function firstProperties(): array
    {
        return $this->firstProperties ?? $this->calendarProperties;
    }

    /** The line on which the VCALENDAR being read begins. */
    public function calendarLine(): int
    {
        return $this->calendarLine;
    }

    /**
     * @return Generator<int, Component> the components directly inside a VCALENDAR
     *
     * @throws NotICalendar
     */
    public function components(): Generator
    {
        $parser = new PropertyParser($this->diagnostics);
        /** @var list<Component> $open */
        $open = [];
        $seen = $inCalendar = false;
        $tooDeep = $properties = 0;
        foreach ((new LineReader($this->stream, $this->diagnostics))->lines() as $number => $line) {
            $initial = $line[0];
            $upper = $initial === 'B' || $initial === 'E' || $initial === 'b' || $initial === 'e' ? strtoupper(substr($line, 0, 40)) : '';
            if ($upper !== '' && ! str_starts_with($upper, 'BEGIN:') && ! str_starts_with($upper, 'END:') && preg_match('/^(BEGIN|END)\s*(?:;[^:]*)?:/', $upper, $m) === 1) {
                // No property is called so: it is what it looks like.
                $this->diagnostics->add($number, $m[1], 'what stands between it and its name means nothing', Outcome::Mended);
                $upper = "{$m[1]}:".substr($upper, strlen($m[0]));
            }
            if (! $inCalendar) {
                if (str_starts_with($upper, 'BEGIN:VCALENDAR')) {
                    $seen = $inCalendar = true;
                    $this->beginCalendar($number);
                } elseif ($seen) {
                    $this->diagnostics->add($number, '', 'this stands outside any calendar', Outcome::Skipped);
                }

                continue;
            }
            if ($upper !== '' && str_starts_with($upper, 'BEGIN:')) {
                $name = self::name($upper, 6);
                if ($name === 'VCALENDAR' || ($open !== [] && isset(self::OUTERMOST[$name]))) {
                    $ended = $this->endBefore($open, $name, $number);
                    $tooDeep = 0;
                    if ($ended !== null) {
                        yield $ended->line => $ended;
                    }
                    if ($name === 'VCALENDAR') {
                        $this->beginCalendar($number);

                        continue;
                    }
                } elseif ($name === 'VALARM' && end($open) !== false && end($open)->name === 'VALARM') {
                    $this->diagnostics->add($number, 'VALARM', 'the reminder does not end before another begins', Outcome::Mended);
                    $this->close($open, 'VALARM', $number);
                }
                if (count($open) >= self::MAX_DEPTH) {
                    $tooDeep++;

                    continue;
                }
                $open[] = new Component($name, $number);
                $properties = count($open) === 1 ? 0 : $properties;
            } elseif ($upper !== '' && str_starts_with($upper, 'END:')) {
                if ($tooDeep > 0) {
                    if (--$tooDeep === 0) {
                        $this->diagnostics->add($number, '', 'components nest too deep', Outcome::Skipped);
                    }

                    continue;
                }
                $name = self::name($upper, 4);
                $closed = $this->close($open, $name, $number);
                if ($closed !== null) {
                    yield $closed->line => $closed;
                }
                $inCalendar = $name !== 'VCALENDAR';
            } elseif ($tooDeep === 0) {
                $properties++;
                if ($properties > self::MAX_PROPERTIES) {
                    if ($properties === self::MAX_PROPERTIES + 1) {
                        $this->diagnostics->add($number, '', 'the component has more than '.self::MAX_PROPERTIES.' properties', Outcome::Skipped);
                    }

                    continue;
                }
                $property = $parser->parse($number, $line);
                if ($property === null) {
                    continue;
                }
                if ($open === []) {
                    if (++$this->propertyCount <= self::MOST_CALENDAR_PROPERTIES) {
                        $this->calendarProperties[$property->name][] = $property;
                    }
                } else {
                    $open[count($open) - 1]->addProperty($property);
                }
            }
        }
        if (! $seen) {
            throw new NotICalendar;
        }
        if ($open === [] && $inCalendar) {
            $this->diagnostics->add($this->calendarLine, 'VCALENDAR', 'the file ends before the calendar does', Outcome::Mended);
        }
        if ($open !== []) {
            $this->diagnostics->add($open[0]->line, $open[0]->name, 'the file ends before the component does', Outcome::Mended);
            $last = self::nested($open);
            yield $last->line => $last;
        }
    }

    /** What stands behind BEGIN or END, less what no name has (RFC 5545, 3.1: iana-token). */
    private static function name(string $line, int $from): string
    {
        return (string) preg_replace('/[^A-Z0-9-]+/', '', substr($line, $from)) ?: 'X-NAMELESS';
    }

    private function beginCalendar(int $number): void
    {
        if ($this->calendarLine !== 0) {
            $this->firstProperties ??= $this->calendarProperties;
        }
        $this->calendarProperties = [];
        $this->propertyCount = 0;
        $this->calendarLine = $number;
    }

    /**
     * Ends all that is open, as what begins now cannot stand inside it.
     *
     * @param  list<Component>  $open  is empty afterwards
     * @return ?Component the one that stands directly in the calendar
     */
    private function endBefore(array &$open, string $name, int $number): ?Component
    {
        $ended = $open[0] ?? null;
        $this->diagnostics->add($ended->line ?? $this->calendarLine, $ended->name ?? 'VCALENDAR', "it does not end: line {$number} begins ".($ended === null ? 'another' : "a {$name}").', and it is taken to end before that', Outcome::Mended);
        $all = $open;
        $open = [];

        return $all === [] ? null : self::nested($all);
    }

    /**
     * The outermost of what is open, each of the others within the one before it.
     *
     * @param  non-empty-list<Component>  $open
     */
    private static function nested(array $open): Component
    {
        while (count($open) > 1) {
            $inner = array_pop($open);
            $open[count($open) - 1]->addComponent($inner);
        }

        return $open[0];
    }

    /**
     * Closes the innermost component of that name, and those left open inside it.
     *
     * @param  list<Component>  $open
     * @return ?Component the one that stands directly in the calendar, where that is closed
     */
    private function close(array &$open, string $name, int $number): ?Component
    {
        $names = array_map(static fn (Component $component): string => $component->name, $open);
        if ($name !== 'VCALENDAR' && ! in_array($name, $names, true)) {
            $this->diagnostics->add($number, $name, 'the component ends without having begun', Outcome::Skipped);

            return null;
        }
        while ($open !== []) {
            $component = array_pop($open);
            if ($component->name !== $name) {
                $this->diagnostics->add($number, $component->name, 'the component does not end', Outcome::Mended);
            }
            if ($open === []) {
                return $component;
            }
            $open[count($open) - 1]->addComponent($component);
            if ($component->name === $name) {
                return null;
            }
        }

        return null;
    }
}
