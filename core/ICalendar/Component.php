<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** A component as it stands in the file: VEVENT with its VALARMs, VTIMEZONE with its observances. */
final class Component
{
    /** @var array<string, non-empty-list<Property>> */
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

    /** @return array<string, non-empty-list<Property>> by name, each name where it first stood */
    public function byName(): array
    {
        return $this->properties;
    }

    /** @return list<Property> */
    public function all(string $name): array
    {
        return $this->properties[$name] ?? [];
    }

    /** @return list<Property> by name, each name where it first stood */
    public function properties(): array
    {
        return $this->properties === [] ? [] : array_merge(...array_values($this->properties));
    }

    /** How many properties it has, with those of the components inside it. */
    public function size(): int
    {
        $size = array_sum(array_map(count(...), $this->properties));
        foreach ($this->components as $component) {
            $size += $component->size();
        }

        return $size;
    }

    /** @return list<Component> */
    public function components(): array
    {
        return $this->components;
    }

    /** @return list<Component> all that go by another name */
    public function componentsBut(string $name): array
    {
        return $this->components === [] ? [] : array_values(array_filter($this->components, static fn (self $each): bool => $each->name !== $name));
    }
}
