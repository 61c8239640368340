<?php

namespace App\Live;

use App\Changes\AccessMarked;
use App\Changes\EventsMarked;
use App\Changes\ListsMarked;
use Illuminate\Support\Facades\DB;

/** Tells whoever is connected of what changes, once it is committed. */
final class TellLive
{
    public function __construct(private readonly Publisher $publisher, private readonly Channels $channels)
    {
    }

    public function events(EventsMarked $change): void
    {
        DB::afterCommit(fn () => $this->publisher->publish($this->channels->tellingOf($change->calendarId), json_encode($change->mark, JSON_THROW_ON_ERROR)));
    }

    /** Their connections end: each opens another, to what they may see from now on, and asks what has changed. */
    public function access(AccessMarked $change): void
    {
        DB::afterCommit(function () use ($change): void {
            DB::table('live_viewers')->whereIntegerInRaw('person_id', $change->people)->delete();
            $this->publisher->close(array_map(Channels::ofPerson(...), $change->people));
        });
    }

    public function lists(ListsMarked $change): void
    {
        DB::afterCommit(fn () => $this->publisher->publish([Channels::EVERYBODY], json_encode($change->mark, JSON_THROW_ON_ERROR)));
    }
}
