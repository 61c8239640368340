<?php

namespace App\Preparation;

/** Something that one has to prepare oneself. */
final readonly class DueTaskData
{
    /**
     * @param  string  $due  A date
     * @param  string  $calendar  On which it is seen
     * @param  string  $of  The title of the event
     * @param  string  $on  The day of the event
     */
    public function __construct(
        public int $id,
        public string $title,
        public string $due,
        public bool $done,
        public int $event,
        public ?string $occurrence,
        public string $calendar,
        public string $of,
        public string $on,
    ) {
    }
}
