<?php

namespace App\Organisation;

/** The terms, or the calendar of closures, are others; raised in the transaction of the change. */
final readonly class SchoolYearChanged
{
}
