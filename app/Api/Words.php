<?php

namespace App\Api;

use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Directory\Role;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Notices\FollowedChange;
use PinnedRota\Core\Notices\Pace;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Pattern;
use PinnedRota\Core\Recurrence\MonthBy;
use PinnedRota\Core\Recurrence\RepeatUnit;
use PinnedRota\Core\Recurrence\WeekdayRule;

/** What the front end needs to say of what has a fixed list of values, as TypeScript: rules and their words are told once. */
final class Words
{
    public function typeScript(): string
    {
        $overlayLevels = array_filter(Level::cases(), static fn (Level $level): bool => $level->doesWithOverlay() !== null);
        $told = [
            'LEVELS' => self::each(Level::cases(), static fn (Level $level): array => ['name' => $level->label(), 'does' => $level->does()]),
            'OVERLAY_LEVELS' => self::each($overlayLevels, static fn (Level $level): ?string => $level->doesWithOverlay()),
            'ROLES' => self::each(Role::cases(), static fn (Role $role): array => ['name' => $role->label(), 'does' => $role->does()]),
            'HOLDS' => self::each(Hold::cases(), static fn (Hold $hold): string => $hold->words()),
            'FOLLOWED_CHANGES' => self::each(FollowedChange::cases(), static fn (FollowedChange $change): string => $change->words()),
            'PACES' => self::each(Pace::cases(), static fn (Pace $pace): string => $pace->words()),
            'STATUSES' => array_column(Status::cases(), 'value'),
            'COLOURS' => array_column(Colour::cases(), 'value'),
            'MARKS' => array_column(Mark::cases(), 'value'),
            'PATTERNS' => array_column(Pattern::cases(), 'value'),
            'WEEKDAYS' => WeekdayRule::NAMES,
            'REPEAT_UNITS' => array_column(RepeatUnit::cases(), 'value'),
            'MONTH_BYS' => array_column(MonthBy::cases(), 'value'),
        ];
        $lines = ['// Written by bin/api from the core; what it says is said there.'];
        foreach ($told as $name => $value) {
            $lines[] = "export const {$name} = ".json_encode($value, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES).' as const;';
        }

        return implode("\n\n", $lines)."\n";
    }

    /**
     * @template Each of Level|Hold|Role|FollowedChange|Pace
     *
     * @param  array<Each>  $cases
     * @param  callable(Each): mixed  $tell
     * @return array<string, mixed> by value
     */
    private static function each(array $cases, callable $tell): array
    {
        return array_combine(array_column($cases, 'value'), array_map($tell, $cases));
    }
}
