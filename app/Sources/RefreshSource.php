<?php

namespace App\Sources;

use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** The scheduled refresh of one source. */
final class RefreshSource implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    public int $uniqueFor = 600;

    public function __construct(public readonly int $sourceId)
    {
        // After what somebody waits for, and by the same few workers: slow sources hold up nothing else.
        $this->onQueue('fetch');
    }

    public function uniqueId(): string
    {
        return (string) $this->sourceId;
    }

    public function handle(SourceRefresher $refresher): void
    {
        $source = Source::query()->whereHas('calendar')->with('calendar')->find($this->sourceId);
        if ($source !== null) {
            $refresher->refresh($source);
        }
    }
}
