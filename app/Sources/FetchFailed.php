<?php

namespace App\Sources;

use RuntimeException;

/** An address that could not be fetched; the message may be shown to a person. */
final class FetchFailed extends RuntimeException
{
}
