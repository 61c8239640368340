<?php

namespace App\Outbox;

use RuntimeException;

/** A letter is not sent; the message says why, to administrators. */
final class NothingToSend extends RuntimeException
{
}
