<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** What a file says of an event that means nothing here: kept as it stands, for writing. */
final readonly class ForeignContent
{
    /**
     * @param  list<Property>  $properties
     * @param  list<Component>  $components  inside the event, such as another program's
     */
    public function __construct(public array $properties = [], public array $components = [])
    {
    }

    public function has(string $property): bool
    {
        return array_filter($this->properties, static fn (Property $each): bool => $each->name === $property) !== [];
    }

    public function without(string $property): self
    {
        return new self(array_values(array_filter($this->properties, static fn (Property $each): bool => $each->name !== $property)), $this->components);
    }
}
