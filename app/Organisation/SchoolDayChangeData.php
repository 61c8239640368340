<?php

namespace App\Organisation;

/** A day on which something that repeats in term only would be, or would be no more. */
final readonly class SchoolDayChangeData
{
    /**
     * @param  int  $dropped  How many times are no more
     * @param  int  $added  How many come
     */
    public function __construct(public string $date, public int $dropped, public int $added)
    {
    }
}
