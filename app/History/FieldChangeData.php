<?php

namespace App\History;

/** What is different in one field. */
final readonly class FieldChangeData
{
    /**
     * @param  ?string  $of  The day of a time that was changed on its own
     */
    public function __construct(
        public ?string $of,
        public string $field,
        public string $before,
        public string $after,
    ) {
    }
}
