<?php

namespace App\Directory;

/** A span of a working day; a day may have several. */
final readonly class WorkingSpanData
{
    /**
     * @param  'MO'|'TU'|'WE'|'TH'|'FR'|'SA'|'SU'  $day
     * @param  string  $from  09:00
     * @param  string  $to  17:00; 24:00 ends a day
     */
    public function __construct(
        public string $day,
        public string $from,
        public string $to,
    ) {
    }

    /** @return list<self> */
    public static function ofPerson(Person $person): array
    {
        return array_map(static fn (array $span): self => new self($span['day'], $span['from'], $span['to']), $person->working_hours ?? []);
    }
}
