<?php

namespace App\Frames;

use PinnedRota\Core\Access\Level;

/** The frame within which a request was made, where it was made in one; one for each request. */
final class CurrentFrame
{
    public ?MemberFrame $frame = null;

    /** A level on a calendar as far as it goes here. */
    public function onCalendar(Level $level): Level
    {
        return $this->atMost($level, $this->frame?->atMost());
    }

    /** The same of an overlay: how it is laid is changed in a window of its own. */
    public function onOverlay(Level $level): Level
    {
        return $this->atMost($level, $this->frame === null ? null : Level::See);
    }

    private function atMost(Level $level, ?Level $most): Level
    {
        return $most !== null && $level->includes($most) ? $most : $level;
    }
}
