<?php

namespace App\Directory;

/** Some people are in a group from now on, or no longer, directly or by another group: raised within the transaction of that. */
final readonly class GroupsChanged
{
    /** @param  list<int>  $personIds */
    public function __construct(public int $groupId, public array $personIds)
    {
    }
}
