<?php

namespace App\Frames;

/** A frame in which people sign in on other sites, as those see it who look after it. */
final readonly class MemberFrameData
{
    /**
     * @param  'calendar'|'overlay'  $of
     * @param  string  $slug  of the calendar or overlay
     * @param  'lanes'|'week'|'month'|'list'  $view  As which it opens
     * @param  bool  $mayChange  Whether events can be added, moved and changed in it
     */
    public function __construct(public int $id, public string $of, public string $slug, public string $ofName, public string $view, public bool $mayChange, public string $address, public string $maker, public string $madeAt)
    {
    }

    public static function of(MemberFrame $frame): self
    {
        return new self(
            $frame->id, $frame->calendar_id === null ? 'overlay' : 'calendar', $frame->calendar->slug ?? $frame->overlay->slug ?? '', $frame->subjectName(), $frame->view, $frame->may_change, $frame->url(), $frame->maker->name, $frame->created_at->toIso8601ZuluString(),
        );
    }
}
