<?php

namespace App\History;

/** What came of taking something back, or doing it again. */
final readonly class UndoneData
{
    /** Of more the first are named. */
    private const MOST = 20;

    /**
     * @param  list<string>  $kept  Titles of what stays as it is, since somebody has changed it since; the first of them
     */
    public function __construct(public array $kept, public int $keptCount)
    {
    }

    /** @param  list<string>  $titles */
    public static function of(array $titles): self
    {
        return new self(array_slice($titles, 0, self::MOST), count($titles));
    }
}
