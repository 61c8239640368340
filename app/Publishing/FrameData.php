<?php

namespace App\Publishing;

/** The frame in which a publication stands on other sites. */
final readonly class FrameData
{
    /**
     * @param  string  $address  of what is in the frame; how it looks is said behind a question mark
     * @param  string  $script  of what makes a frame as high as its content
     * @param  list<string>  $sites  origins that may show it: none where it stands in no frame
     * @param  list<string>  $layers  what can be left out, in order: the first is layer 0
     * @param  list<string>  $languages  in which dates can be written
     */
    public function __construct(public string $address, public string $script, public array $sites, public array $layers, public array $languages)
    {
    }
}
