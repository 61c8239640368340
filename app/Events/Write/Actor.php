<?php

namespace App\Events\Write;

use App\Directory\Person;

/** Who changes events: a person, or nobody where it comes about by itself, such as the refresh of a source. */
final readonly class Actor
{
    private function __construct(public ?int $personId)
    {
    }

    public static function person(Person $person): self
    {
        return new self($person->id);
    }

    public static function nobody(): self
    {
        return new self(null);
    }
}
