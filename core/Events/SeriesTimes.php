<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** Which times of a series are meant: one, that and all that follow, or all of them. */
enum SeriesTimes: string
{
    case One = 'one';
    case Following = 'following';
    case All = 'all';
}
