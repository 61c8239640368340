<?php

namespace App\Following;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Has a worker look for what is to be told to those who follow it, and for digests whose moment has come. What it does not come to is found by the next one, each minute. */
final class TellFollowersSoon implements ShouldQueue
{
    use Queueable;

    public int $timeout = 280;

    public function __construct()
    {
        $this->afterCommit();
    }

    public function handle(TellFollowers $followers, SendDigests $digests): void
    {
        $followers->run();
        $digests->run();
    }
}
