<?php

declare(strict_types=1);

namespace PinnedRota\Core\Directory;

/** What somebody looks after for the whole organisation, whatever calendars they keep. */
enum Role: string
{
    case Member = 'member';
    case Coordinator = 'coordinator';
    case Administrator = 'administrator';

    public function label(): string
    {
        return $this->value;
    }

    /** @return string what those who have it do here */
    public function does(): string
    {
        return match ($this) {
            self::Member => 'uses what is shared with them, and keeps calendars of their own',
            self::Coordinator => 'keeps groups, rooms and the categories of the organisation, too, and so decides who is in what is shared with a group',
            self::Administrator => 'looks after people and what the organisation decides, too',
        };
    }

    /** Whether groups, rooms and the categories that are common to all calendars are theirs to keep. */
    public function keepsCommon(): bool
    {
        return $this !== self::Member;
    }
}
