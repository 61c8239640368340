<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** A component as it stands in the file: VEVENT with its VALARMs, VTIMEZONE with its observances. */
final class Component
{
    /** @var array<string, list<Property>> */
    private array $properties = [];

    /** @var list<Component> */
    private array $components = [];

    public function __construct(public readonly string $name, public readonly int $line)
    {
    }

    public function addProperty(Property $property): void
    {
        $this->properties[$property->name][] = $property;
    }

    public function addComponent(self $component): void
    {
        $this->components[] = $component;
    }

    public function first(string $name): ?Property
    {
        return $this->properties[$name][0] ?? null;
    }

    /** @return list<Property> */
    public function all(string $name): array
    {
        return $this->properties[$name] ?? [];
    }

    /** @return list<Property> */
    public function properties(): array
    {
        return array_merge(...array_values($this->properties));
    }

    /** @return list<Component> */
    public function components(): array
    {
        return $this->components;
    }
}
