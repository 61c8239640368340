<?php

namespace App\Publishing\Kept;

use App\Feeds\Feed;
use App\Publishing\Publication;
use App\Publishing\PublicationLink;
use Illuminate\Support\Carbon;

/** Adds what was given out of what is kept to how often publications and feeds were read. */
final class CountReads
{
    public function __construct(private readonly KeptAnswers $answers)
    {
    }

    public function run(): int
    {
        $reads = $this->answers->takeReads();
        $counts = $last = $fetched = $shown = [];
        foreach ($reads as [$of, $isHad, $kind, $at]) {
            [$what, $id, , $screen] = explode(' ', $of) + ['', '', '', ''];
            if ($screen !== '') {
                $shown[$screen] = $at;
            }
            if ($what === 'publication' && ! $isHad) {
                $counts[$id] = ($counts[$id] ?? 0) + 1;
                $last[$id] = max($at, $last[$id] ?? 0);
            } elseif ($what === 'feed') {
                // As it is for a feed: who has it already has asked, too.
                $fetched[$id] = [$at, $kind];
            }
        }
        foreach ($counts as $id => $count) {
            Publication::query()->whereKey($id)->toBase()->increment('reads', $count, ['last_read_at' => Carbon::createFromTimestamp($last[$id])]);
        }
        foreach ($shown as $id => $at) {
            PublicationLink::query()->whereKey($id)->toBase()->update(['last_read_at' => Carbon::createFromTimestamp($at)]);
        }
        foreach ($fetched as $id => [$at, $kind]) {
            Feed::query()->whereKey($id)->toBase()->update(['last_fetched_at' => Carbon::createFromTimestamp($at), 'fetched_by' => $kind]);
        }

        return count($reads);
    }
}
