<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

/** How much of each event a publication tells. Private events it never opens. */
enum Detail: string
{
    /** When something is on, never what. */
    case BusyTimes = 'busy times';

    case Titles = 'titles';

    /** Places and categories, too, but nobody's name. */
    case WithoutPeople = 'without people';

    case Everything = 'everything';

    public function tellsWhat(): bool
    {
        return $this !== self::BusyTimes;
    }

    public function tellsWhere(): bool
    {
        return $this === self::WithoutPeople || $this === self::Everything;
    }

    public function tellsWho(): bool
    {
        return $this === self::Everything;
    }

    /** What stands under an event, in as many words as there are. */
    public function tellsNotes(): bool
    {
        return $this === self::Everything;
    }
}
