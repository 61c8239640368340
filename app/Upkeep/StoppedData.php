<?php

namespace App\Upkeep;

use Illuminate\Support\Carbon;

/** Something that should run by itself, and stands still. */
final readonly class StoppedData
{
    /**
     * @param  'schedule'|'letters'|'work'|'fetching'  $part
     * @param  string  $undone  What is not done meanwhile, in words
     * @param  string  $unit  The unit of systemd that runs it
     * @param  ?string  $since  When it was last seen at work; null: never
     */
    public function __construct(
        public string $part,
        public string $undone,
        public string $unit,
        public ?string $since,
    ) {
    }

    public static function of(Part $part, ?Carbon $since): self
    {
        return new self($part->value, $part->undone(), $part->unit(), $since?->toIso8601ZuluString());
    }
}
