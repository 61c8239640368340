<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

/** Of what becomes of events somebody can want to be told. */
enum FollowedChange: string
{
    case Added = 'added';
    case Moved = 'moved';
    case Changed = 'changed';
    case Cancelled = 'cancelled';
    case Answered = 'answered';

    public function words(): string
    {
        return match ($this) {
            self::Added => 'new events',
            self::Moved => 'moves',
            self::Changed => 'other changes',
            self::Cancelled => 'cancellations',
            self::Answered => 'answers',
        };
    }

    public static function of(ChangeKind $kind): self
    {
        return self::from($kind->value);
    }
}
