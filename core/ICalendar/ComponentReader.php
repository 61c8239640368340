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

    /** @var array<string, Property> the first of each name of the VCALENDAR being read */
    private array $calendarProperties = [];

    private int $calendarLine = 0;

    /** @param  resource  $stream */
    public function __construct(private readonly mixed $stream, private readonly Diagnostics $diagnostics)
    {
    }

    /** A property of the VCALENDAR being read, such as X-WR-CALNAME; those that stand before the first component are known. */
    public function calendarProperty(string $name): ?Property
    {
        return $this->calendarProperties[$name] ?? null;
    }

    /** @return list<Property> those of the VCALENDAR being read, as far as they are known */
    public function calendarProperties(): array
    {
        return array_values($this->calendarProperties);
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
            if (! $inCalendar) {
                if (str_starts_with($upper, 'BEGIN:VCALENDAR')) {
                    $seen = $inCalendar = true;
                    $this->calendarProperties = [];
                    $this->calendarLine = $number;
                } elseif ($seen) {
                    $this->diagnostics->add($number, '', 'this stands outside any calendar', Outcome::Skipped);
                }

                continue;
            }
            if ($upper !== '' && str_starts_with($upper, 'BEGIN:')) {
                if (count($open) >= self::MAX_DEPTH) {
                    $tooDeep++;

                    continue;
                }
                $open[] = new Component(trim(substr($upper, 6)), $number);
                $properties = count($open) === 1 ? 0 : $properties;
            } elseif ($upper !== '' && str_starts_with($upper, 'END:')) {
                if ($tooDeep > 0) {
                    if (--$tooDeep === 0) {
                        $this->diagnostics->add($number, '', 'components nest too deep', Outcome::Skipped);
                    }

                    continue;
                }
                $name = trim(substr($upper, 4));
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
                    $this->calendarProperties[$property->name] ??= $property;
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
            while (count($open) > 1) {
                $inner = array_pop($open);
                $open[count($open) - 1]->addComponent($inner);
            }
            yield $open[0]->line => $open[0];
        }
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
