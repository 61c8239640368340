<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** Parts a content line into name, parameters and value (RFC 5545, 3.1; RFC 6868 for ^ in parameters). */
final class PropertyParser
{
    private const MAX_PARAMETERS = 100;

    private const NAME = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789-';

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

        return new Property($name, substr($line, $position), $parameters, $number);
    }

    /** The name in upper case, or '' where it is none. */
    private function name(string $written): string
    {
        $name = strtoupper(rtrim($written));
        if (strspn($name, self::NAME) !== strlen($name)) {
            return '';
        }
        if (count($this->names) < 500) {
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

        return new Property($name, substr($line, $colon + 1), $parameters, $number);
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
