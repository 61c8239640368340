<?php

namespace App\Jobs;

enum JobState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    case Failed = 'failed';
    case Cancelled = 'cancelled';

    public function isEnd(): bool
    {
        return $this !== self::Waiting && $this !== self::Running;
    }
}
