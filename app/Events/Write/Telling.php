<?php

namespace App\Events\Write;

/** How those whom a change concerns are told of it by mail; what they see here they see anyway. */
enum Telling
{
    /** Not at all. */
    case Quietly;

    /** With what else is changed within some minutes. */
    case Gathered;

    /** As soon as it can no longer be undone at once: of what was dragged, which is over by that. */
    case Soon;

    public static function of(bool $isTold, bool $isSoon): self
    {
        return ! $isTold ? self::Quietly : ($isSoon ? self::Soon : self::Gathered);
    }
}
