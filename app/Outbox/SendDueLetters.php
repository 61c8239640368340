<?php

namespace App\Outbox;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Has a worker look for letters that are due. What it does not come to is found by the next one, each minute. */
final class SendDueLetters implements ShouldQueue
{
    use Queueable;

    public function __construct()
    {
        $this->afterCommit();
    }

    public function handle(SendOutbox $outbox): void
    {
        $outbox->run();
    }
}
