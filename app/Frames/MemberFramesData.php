<?php

namespace App\Frames;

/** Frames in which people sign in, and where they can stand. */
final readonly class MemberFramesData
{
    /**
     * @param  list<string>  $sites  origins of the sites that administrators name; on none there is no such frame
     * @param  list<MemberFrameData>  $frames
     */
    public function __construct(public array $sites, public array $frames)
    {
    }
}
