<?php

namespace App\Imports;

/** From which line of which document an event is. */
final readonly class OriginData
{
    /**
     * @param  int  $line  From 1
     * @param  string  $said  As it stands there
     * @param  string  $by  Who brought it in
     */
    public function __construct(public string $fileName, public int $line, public string $said, public string $at, public string $by)
    {
    }
}
