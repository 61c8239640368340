<?php

declare(strict_types=1);

namespace PinnedRota\Core\Sources;

/** What became of a refresh. */
enum RefreshState: string
{
    /** Taken in; also where nothing had changed. */
    case Done = 'done';

    /** The far side could not be read: the last good copy stays. */
    case Failed = 'failed';

    /** It would take so much away that somebody is asked first. */
    case Held = 'held';

    /** Held, and somebody kept what was there; or the far side went on before anybody answered. */
    case Declined = 'declined';

    /** Taken in, and taken back by somebody. */
    case TakenBack = 'taken back';
}
