<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** Why a piece of a line was not understood, or not for certain. */
enum DoubtReason: string
{
    /** 31 nov, 30/2. */
    case NoSuchDate = 'noSuchDate';

    /** 25:00, 13pm. */
    case NoSuchTime = 'noSuchTime';

    /** It says when, and not when exactly: “end of november”, “until christmas”. */
    case Unclear = 'unclear';

    /** The day of the week is another than that of the date. */
    case WrongWeekday = 'wrongWeekday';

    /** One of its kind was understood already. */
    case Second = 'second';

    /** Nothing that is known is called so. */
    case Unknown = 'unknown';

    /** Several are called so. */
    case Several = 'several';

    /** It could be meant, and may as well be a word of the title. */
    case Loose = 'loose';

    /** A category that there is not yet: it would be made. */
    case NewName = 'newName';

    /** Whether the event would be at another time than is written, so that it is not added before that is put right. */
    public function blocks(): bool
    {
        return $this === self::NoSuchDate || $this === self::NoSuchTime || $this === self::Unclear;
    }
}
