<?php

namespace App\Overlays;

use App\Access\Audience;
use App\Access\GrantRecord;
use App\Access\Stewardship;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Directory\Person;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;

/** Who may look through an overlay, lay its layers, or manage it. What they see through it is no matter of this. */
final class OverlaySharing
{
    /** An overlay has no busy times of its own, and nothing is added to it. */
    public const LEVELS = [Level::None, Level::See, Level::Change, Level::Manage];

    public function __construct(private readonly Stewardship $stewardship, private readonly Audience $audience)
    {
    }

    /** Gives a level to a person, a group or everyone; Level::None takes it away. */
    public function give(Overlay $overlay, Subject $to, Level $level, Person $by): void
    {
        $this->stewardship->guard(function () use ($overlay, $to, $level, $by): void {
            $this->put($overlay, $to, $level, $by);
            Change::ofAccess($this->audience->withManagers($overlay, $to));
        });
    }

    /** @param  Level  $stays  what the keeper until now goes on having */
    public function handOver(Overlay $overlay, Subject $to, Level $stays, Person $by): void
    {
        $this->stewardship->guard(function () use ($overlay, $to, $stays, $by): void {
            $from = $overlay->keeper();
            ChangeLog::overlayKeeper($overlay, $by, $from, $to);
            $overlay->update(['keeper_kind' => $to->kind, 'keeper_id' => $to->id, 'version' => $overlay->version + 1]);
            $this->put($overlay, $from, $stays, $by);
            // The new keeper manages as such: what they were given before says no more.
            $this->put($overlay, $to, Level::None, $by);
            Change::ofAccess($this->audience->withManagers($overlay, $from, $to));
        });
    }

    private function put(Overlay $overlay, Subject $to, Level $level, Person $by): void
    {
        $key = ['on_kind' => 'overlay', 'on_id' => $overlay->id, 'subject_kind' => $to->kind->value, 'subject_id' => $to->id ?? 0];
        $before = GrantRecord::query()->where($key)->first()->level ?? Level::None;
        ChangeLog::overlay($overlay, $by, $to, $before, $level);
        $level === Level::None
            ? GrantRecord::query()->where($key)->delete()
            : GrantRecord::query()->updateOrCreate($key, ['level' => $level, 'given_by' => $by->id]);
    }
}
