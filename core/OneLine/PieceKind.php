<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** What a piece of a line was understood as. */
enum PieceKind: string
{
    case Date = 'date';
    case Time = 'time';
    case Length = 'length';
    case Repeat = 'repeat';
    case Ending = 'ending';
    case Place = 'place';
    case Category = 'category';
    case Person = 'person';
    case Group = 'group';
    case Responsible = 'responsible';
    case Calendar = 'calendar';
    case State = 'state';
}
