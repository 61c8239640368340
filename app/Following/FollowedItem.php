<?php

namespace App\Following;

use PinnedRota\Core\Notices\NoticeItem;

/** One change that somebody is told of, and by which ways. */
final class FollowedItem
{
    /** @param  ?array{int, bool}  $was  of what is no longer there: the row of operation_series in which it stands, and whether as that operation left it */
    public function __construct(public readonly NoticeItem $item, public bool $inInbox, public bool $byMail, public readonly ?array $was)
    {
    }
}
