<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** One content line: NAME;PARAMETER=value:value (RFC 5545, 3.1), its value as it stands in the file. */
final readonly class Property
{
    /**
     * @param  string  $name  upper case
     * @param  array<string, list<string>>  $parameters  names in upper case; values decoded (RFC 6868)
     */
    public function __construct(
        public string $name,
        public string $value,
        public array $parameters = [],
        public int $line = 0,
    ) {
    }

    public function parameter(string $name): ?string
    {
        return $this->parameters[$name][0] ?? null;
    }

    /** The value as TEXT, its escapes undone (RFC 5545, 3.3.11). */
    public function text(): string
    {
        return Text::unescape($this->value);
    }
}
