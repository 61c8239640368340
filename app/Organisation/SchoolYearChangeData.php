<?php

namespace App\Organisation;

/** What another school's year would make of all that repeats in term only. */
final readonly class SchoolYearChangeData
{
    /**
     * @param  int  $series  How many of them change
     * @param  list<SchoolDayChangeData>  $days  In order; what is past stays as it is told here
     */
    public function __construct(public int $series, public array $days)
    {
    }
}
