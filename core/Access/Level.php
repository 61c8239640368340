<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** What somebody may do with a calendar or an overlay; each level includes those below it. */
enum Level: string
{
    case None = 'none';

    /** When something is on, never what. */
    case BusyTimes = 'busy';

    case See = 'see';

    /** Add events; change and delete one's own. */
    case Add = 'add';

    case Change = 'change';

    /** Change everything, and settings and access. */
    case Manage = 'manage';

    public function label(): string
    {
        return match ($this) {
            self::None => 'Nothing',
            self::BusyTimes => 'Busy times',
            default => ucfirst($this->value),
        };
    }

    /** What it lets one do, said to whoever has it: “You can …”. */
    public function means(): string
    {
        return match ($this) {
            self::None => 'see nothing of it',
            self::BusyTimes => 'see when something is on, not what it is',
            self::See => 'see everything on it but private events',
            self::Add => 'see it, add events, and change and delete your own',
            self::Change => 'see it, add events, and change and delete every one',
            self::Manage => 'change every event on it, its settings, and who may see it',
        };
    }

    /** The same, said of somebody: “Esi …”. */
    public function does(): string
    {
        return match ($this) {
            self::None => 'does not see it',
            self::BusyTimes => 'sees when something is on, never what',
            self::See => 'sees everything but private events',
            self::Add => 'adds events; changes their own',
            self::Change => 'changes every event',
            self::Manage => 'changes all of it, and decides settings and access',
        };
    }

    /** What it lets somebody do with an overlay, which shows nothing that they may not see otherwise; null where overlays have no such level. */
    public function doesWithOverlay(): ?string
    {
        return match ($this) {
            self::None => 'does not find it',
            self::See => 'looks through it',
            self::Change => 'lays its layers, too',
            self::Manage => 'decides who may, too',
            default => null,
        };
    }

    public function rank(): int
    {
        return match ($this) {
            self::None => 0,
            self::BusyTimes => 1,
            self::See => 2,
            self::Add => 3,
            self::Change => 4,
            self::Manage => 5,
        };
    }

    public function includes(self $other): bool
    {
        return $this->rank() >= $other->rank();
    }

    public static function highest(self ...$levels): self
    {
        return array_reduce($levels, static fn (self $best, self $level): self => $level->includes($best) ? $level : $best, self::None);
    }
}
