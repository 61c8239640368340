<?php

namespace App\Jobs;

use RuntimeException;

/** Whoever asked for the job wants it no more: it is broken off, and what it did is taken back. */
final class JobCancelled extends RuntimeException
{
}
