<?php

namespace App\Meetings;

use RuntimeException;

/** No link of a meeting is to be had; the message may be shown to a person. */
final class NoMeeting extends RuntimeException
{
}
