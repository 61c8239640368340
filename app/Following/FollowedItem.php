<?php

namespace App\Following;

use PinnedRota\Core\Notices\NoticeItem;

/** One change that somebody is told of, and by which ways. */
final readonly class FollowedItem
{
    /** @param  ?array{int, bool}  $was  of what is no longer there: the row of operation_series in which it stands, and whether as that operation left it */
    public function __construct(public NoticeItem $item, public bool $inInbox, public bool $byMail, public ?array $was)
    {
    }

    /** By the ways of both. */
    public function and(self $other): self
    {
        return new self($this->item, $this->inInbox || $other->inInbox, $this->byMail || $other->byMail, $this->was);
    }
}
