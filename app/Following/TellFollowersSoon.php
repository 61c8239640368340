<?php

namespace App\Following;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Has a worker look for what is to be told to those who follow it. What it does not come to is found by the next one, each minute. */
final class TellFollowersSoon implements ShouldQueue
{
    use Queueable;

    public int $timeout = 280;

    public function __construct()
    {
        $this->afterCommit();
    }

    public function handle(TellFollowers $followers): void
    {
        $followers->run();
    }
}
