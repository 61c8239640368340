<?php

namespace App\Frames;

/** What is shown in the frame within which somebody is signed in. */
final readonly class SessionFrameData
{
    /**
     * @param  'calendar'|'overlay'  $of
     * @param  string  $slug  of the calendar or overlay
     * @param  'lanes'|'week'|'month'|'list'  $view  As which it opens
     * @param  bool  $mayChange  Whether events can be added, moved and changed in it
     */
    public function __construct(public string $of, public string $slug, public string $name, public string $view, public bool $mayChange)
    {
    }

    public static function of(MemberFrame $frame): self
    {
        return new self($frame->calendar_id === null ? 'overlay' : 'calendar', $frame->calendar->slug ?? $frame->overlay->slug ?? '', $frame->subjectName(), $frame->view, $frame->may_change);
    }
}
