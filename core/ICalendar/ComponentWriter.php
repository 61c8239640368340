<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** Writes components that are kept as they stand. */
final readonly class ComponentWriter
{
    public function __construct(private LineWriter $writer)
    {
    }

    /** @param  array<string, string>  $zones  what zones are called, by how the component calls them (TZID) */
    public function write(Component $component, array $zones = []): void
    {
        $this->writer->line("BEGIN:{$component->name}");
        foreach ($component->properties() as $property) {
            $zone = $zones[$property->parameter('TZID') ?? ''] ?? null;
            $this->writer->property($property->name, $property->value, $zone === null ? $property->parameters : ['TZID' => [$zone]] + $property->parameters);
        }
        foreach ($component->components() as $inner) {
            $this->write($inner, $zones);
        }
        $this->writer->line("END:{$component->name}");
    }
}
