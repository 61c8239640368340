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

    public function first(string $property): ?Property
    {
        foreach ($this->properties as $each) {
            if ($each->name === $property) {
                return $each;
            }
        }

        return null;
    }

    /**
     * What the file said of a text (LANGUAGE, ALTREP; RFC 5545, 3.2): nothing once the text is another.
     *
     * @param  string  $value  of the property, as it is written
     * @return array<string, list<string>>
     */
    public function parametersOf(string $property, string $value): array
    {
        foreach ($this->properties as $each) {
            if ($each->name === $property && $each->value === $value) {
                return $each->parameters;
            }
        }

        return [];
    }

    /** With another property, beside those of its name. */
    public function with(Property $property): self
    {
        $names = array_map(static fn (Property $each): string => $each->name, $this->properties);
        $at = array_search($property->name, array_reverse($names, true), true);
        $properties = $this->properties;
        array_splice($properties, $at === false ? count($properties) : $at + 1, 0, [$property]);

        return new self($properties, $this->components);
    }

    public function without(string $property): self
    {
        return new self(array_values(array_filter($this->properties, static fn (Property $each): bool => $each->name !== $property)), $this->components);
    }
}
