<?php

namespace App\Publishing\Kept;

use App\Feeds\Feed;
use App\Publishing\Publication;
use App\Publishing\PublicationLink;
use Illuminate\Support\Facades\DB;
use Psr\Log\LoggerInterface;

/** Takes away what is kept once something is committed that may make it another: any change of events, access and lists, and of what is published. */
final class ForgetKept
{
    /** Columns that say who read it. */
    private const OF_READS = ['last_fetched_at', 'fetched_by', 'reads', 'last_read_at'];

    public function __construct(private readonly KeptAnswers $answers, private readonly LoggerInterface $log)
    {
    }

    public function handle(): void
    {
        // The change stands; that something old may be read of it is told to whoever runs the site.
        DB::afterCommit(fn () => $this->answers->clear() || $this->log->critical('What is kept of published pages cannot be taken away: something old may be given out until midnight.'));
    }

    public function saved(Publication|PublicationLink|Feed $of): void
    {
        if (array_diff(array_keys($of->getChanges()), self::OF_READS) !== [] || $of->wasRecentlyCreated) {
            $this->handle();
        }
    }
}
