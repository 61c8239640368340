<?php

declare(strict_types=1);

namespace PinnedRota\Core\Directory;

/** What is planned for one line of a table of people. */
final readonly class PlannedPerson
{
    /** @param  list<string>  $notes  why it is refused, or what changes */
    public function __construct(public int $line, public ?PersonRow $row, public PeopleVerdict $verdict, public array $notes = [])
    {
    }
}
