<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** To whom access can be given. */
enum SubjectKind: string
{
    case Person = 'person';
    case Group = 'group';

    /** Every active member of the organisation. */
    case Everyone = 'everyone';

    /** Anyone at all, without an account too. */
    case Public = 'public';
}
