<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** Parts a content line into name, parameters and value (RFC 5545, 3.1; RFC 6868 for ^ in parameters). */
final class PropertyParser
{
    private const MAX_PARAMETERS = 100;

    private const NAME = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789-';

    private const TIME = '/^\s*(?:\d{4}-?\d\d-?\d\d|[+-]?P\d)/i';

    private const ADDRESS = '/^\s*(?:mailto|urn|https?|ldaps?|tel|sips?|xmpp):/i';

    /** What the value begins with, of properties whose parameters often have colons in them. */
    private const BEGINS = [
        'DTSTART' => self::TIME, 'DTEND' => self::TIME, 'RECURRENCE-ID' => self::TIME, 'EXDATE' => self::TIME, 'RDATE' => self::TIME,
        'ATTENDEE' => self::ADDRESS, 'ORGANIZER' => self::ADDRESS,
    ];

    private const MOST_KNOWN = 500;

    private const LONGEST_KNOWN = 200;

    /** @var array<string, non-empty-array<string, list<string>>> by what stands before the value: few, and met again and again */
    private array $parameters = [];

    /** @var array<string, string> names in upper case, as they stand in the file: few, and met again and again */
    private array $names = [];

    public function __construct(private readonly Diagnostics $diagnostics)
    {
    }

    /** The property, or null (with a diagnostic) where the line is none. */
    public function parse(int $number, string $line): ?Property
    {
        $position = strcspn($line, ':;');
        $written = substr($line, 0, $position);
        $name = $this->names[$written] ?? $this->name($written);
        if ($name === '' || $position === strlen($line)) {
            $this->diagnostics->add($number, '', 'this is no property', Outcome::Skipped);

            return null;
        }
        $separator = $line[$position++];
        if ($separator === ':') {
            return new Property($name, substr($line, $position), [], $number);
        }
        $colon = (int) strpos($line, ':');
        $known = $this->parameters[substr($line, 0, $colon)] ?? null;
        if ($known !== null) {
            $value = substr($line, $colon + 1);

            return $this->isOdd($name, $value) ? $this->withColonInParameter($number, $name, $value, $known) : new Property($name, $value, $known, $number);
        }
        $parameters = [];
        while ($separator === ';') {
            $pattern = '/\G\s*([A-Za-z0-9-]+)\s*=((?:"[^"]*"|[^";:,]*)(?:,(?:"[^"]*"|[^";:,]*))*)([;:])/';
            if (count($parameters) >= self::MAX_PARAMETERS || preg_match($pattern, $line, $m, 0, $position) !== 1) {
                return $this->withoutParameters($number, $name, $line, $parameters);
            }
            $parameters[strtoupper($m[1])] = strpbrk($m[2], '",^') === false ? [$m[2]] : array_map($this->decode(...), $this->values($m[2]));
            $position += strlen($m[0]);
            $separator = $m[3];
        }

        $value = substr($line, $position);
        if ($parameters === []) {
            return new Property($name, $value, [], $number);
        }
        if ($this->isOdd($name, $value)) {
            return $this->withColonInParameter($number, $name, $value, $parameters);
        }
        // What no quotes hide a colon in is the same again, up to the first of them.
        if ($position === $colon + 1 && $position < self::LONGEST_KNOWN && count($this->parameters) < self::MOST_KNOWN) {
            $this->parameters[substr($line, 0, $colon)] = $parameters;
        }

        return new Property($name, $value, $parameters, $number);
    }

    /** Whether a value is not what the property asks for, and there is more behind another colon. */
    private function isOdd(string $name, string $value): bool
    {
        return isset(self::BEGINS[$name]) && preg_match(self::BEGINS[$name], $value) === 0 && str_contains($value, ':');
    }

    /**
     * Some programs write names with colons into parameters and no quotes around them, such as `TZID=(UTC+01:00) Somewhere`: where
     * the value begins is known by what it has to begin with.
     *
     * @param  non-empty-array<string, list<string>>  $parameters
     */
    private function withColonInParameter(int $number, string $name, string $value, array $parameters): Property
    {
        for ($colon = strpos($value, ':'); $colon !== false; $colon = strpos($value, ':', $colon + 1)) {
            if (preg_match(self::BEGINS[$name], substr($value, $colon + 1)) === 1) {
                $last = array_key_last($parameters);
                $parameters[$last] = [implode(',', $parameters[$last]).':'.substr($value, 0, $colon)];
                $this->diagnostics->add($number, $name, "{$last} has a colon in it and no quotes around it", Outcome::Mended);

                return new Property($name, substr($value, $colon + 1), $parameters, $number);
            }
        }

        return new Property($name, $value, $parameters, $number);
    }

    /** The name in upper case, or '' where it is none. */
    private function name(string $written): string
    {
        $name = strtoupper(rtrim($written));
        if (strspn($name, self::NAME) !== strlen($name)) {
            return '';
        }
        if (count($this->names) < self::MOST_KNOWN) {
            $this->names[$written] = $name;
        }

        return $name;
    }

    /** @param  array<string, list<string>>  $parameters */
    private function withoutParameters(int $number, string $name, string $line, array $parameters): ?Property
    {
        $colon = strpos($line, ':');
        if ($colon === false) {
            $this->diagnostics->add($number, $name, 'the property has no value', Outcome::Skipped);

            return null;
        }
        $this->diagnostics->add($number, $name, 'the parameters cannot be read', Outcome::Mended);

        $value = substr($line, $colon + 1);
        while ($this->isOdd($name, $value)) {
            $value = substr($value, (int) strpos($value, ':') + 1);
        }

        return new Property($name, $value, $parameters, $number);
    }

    /** @return list<string> */
    private function values(string $text): array
    {
        if (! str_contains($text, ',')) {
            return [trim($text, '"')];
        }
        preg_match_all('/"([^"]*)"|([^,]+)/', $text, $matches, PREG_SET_ORDER);

        return array_map(static fn (array $m): string => $m[2] ?? $m[1] ?? '', $matches);
    }

    private function decode(string $value): string
    {
        return str_contains($value, '^') ? strtr($value, ['^n' => "\n", '^^' => '^', "^'" => '"']) : $value;
    }
}
