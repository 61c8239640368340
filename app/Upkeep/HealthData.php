<?php

namespace App\Upkeep;

/** Whether the site can do its work. */
final readonly class HealthData
{
    /**
     * @param  bool  $ok  Whether requests can be answered here
     * @param  bool  $disk  Whether there is room for files and for the log
     * @param  bool  $queue  Whether what is queued is worked on; without it the site answers all the same
     * @param  bool  $schedule  Whether what is done at its time is done
     */
    public function __construct(
        public bool $ok,
        public bool $database,
        public bool $disk,
        public bool $queue,
        public bool $schedule,
    ) {
    }
}
