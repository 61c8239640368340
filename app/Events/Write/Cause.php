<?php

namespace App\Events\Write;

/** By what a change of events comes about. */
enum Cause: string
{
    /** A person at the screen. */
    case Screen = 'screen';

    /** A file that is brought in. */
    case Import = 'import';

    /** A table or a text that is brought in: what it says is of whoever brings it in, as though they had written it. */
    case Document = 'document';

    /** The refresh of a subscribed source. */
    case Refresh = 'refresh';

    /** An answer that came by mail. */
    case Letter = 'letter';

    /** A command, or the demo. */
    case Script = 'script';

    /** What was done is undone, or done again. */
    case Undo = 'undo';
}
