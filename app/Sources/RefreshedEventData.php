<?php

namespace App\Sources;

use App\History\FieldChangeData;

/** An event, and what a refresh did with it or would do. */
final readonly class RefreshedEventData
{
    /**
     * @param  'added'|'changed'|'removed'  $verdict
     * @param  string  $start  On its own wall
     * @param  list<FieldChangeData>  $changes  Of what was changed
     */
    public function __construct(
        public string $verdict,
        public string $title,
        public string $start,
        public bool $allDay,
        public bool $repeats,
        public array $changes,
    ) {
    }
}
