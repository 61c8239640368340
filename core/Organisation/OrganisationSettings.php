<?php

declare(strict_types=1);

namespace PinnedRota\Core\Organisation;

use PinnedRota\Core\Access\Level;
use PinnedRota\Core\OneLine\Habits;
use PinnedRota\Core\Publishing\FrameSite;
use PinnedRota\Core\Publishing\InvalidSite;
use PinnedRota\Core\SchoolYear\InvalidSchoolYear;
use PinnedRota\Core\SchoolYear\SchoolDateWords;
use PinnedRota\Core\SchoolYear\SchoolYear;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What an organisation decides for all of its people. What it has not decided is as it is here. */
final readonly class OrganisationSettings
{
    /**
     * @param  string  $name  of the organisation; empty where nobody has said
     * @param  ?Zone  $timezone  that new people and calendars are in; null where nobody has said
     * @param  ?int  $firstMonth  in which its year begins, from 1; null where it has none but that of the calendar
     * @param  bool  $administratorsNeedSecondFactor  whether an administrator without a second factor is none
     * @param  bool  $plainHttp  whether an address that does not say how it is fetched (webcal:) may be fetched without encryption
     * @param  ?SchoolYear  $schoolYear  its terms; null where it has said none
     * @param  list<string>  $frameSites  origins of the sites on which people may sign in within a frame
     * @param  ?int  $closures  id of the calendar whose closing events close days everywhere
     * @param  string  $meetings  by what links of meetings are made (see MeetingPattern); empty where none are
     * @param  Level  $mayAskFor  the highest level that people may ask for; None where nobody asks
     */
    public function __construct(
        public bool $administratorsNeedSecondFactor = false,
        public bool $plainHttp = false,
        public Habits $habits = new Habits,
        public Level $mayAskFor = Level::Change,
        public string $name = '',
        public ?Zone $timezone = null,
        public ?int $firstMonth = null,
        public ?SchoolYear $schoolYear = null,
        public ?int $closures = null,
        public array $frameSites = [],
        public string $meetings = '',
    ) {
    }

    public function year(): SchoolYear
    {
        return $this->schoolYear ?? SchoolYear::of([]);
    }

    /**
     * @param  array<string, mixed>  $stored  by name; what is not there, or is none of what can be decided, is as it is by itself
     */
    public static function fromArray(array $stored): self
    {
        $known = new self;
        $bool = static fn (string $name, bool $default): bool => is_bool($stored[$name] ?? null) ? $stored[$name] : $default;
        $minutes = static fn (string $name, int $default): int => is_int($stored[$name] ?? null) && $stored[$name] >= 0 && $stored[$name] < 1440 ? $stored[$name] : $default;
        $level = is_string($stored['mayAskFor'] ?? null) ? Level::tryFrom($stored['mayAskFor']) : null;

        return new self(
            $bool('administratorsNeedSecondFactor', $known->administratorsNeedSecondFactor),
            $bool('plainHttp', $known->plainHttp),
            new Habits($bool('dayFirst', $known->habits->dayFirst), $minutes('morning', $known->habits->morning), $minutes('evening', $known->habits->evening), $minutes('afternoon', $known->habits->afternoon)),
            $level === null || $level === Level::Manage ? $known->mayAskFor : $level,
            is_string($stored['name'] ?? null) ? $stored['name'] : $known->name,
            is_string($stored['timezone'] ?? null) ? Zone::find($stored['timezone']) : null,
            is_int($stored['firstMonth'] ?? null) && $stored['firstMonth'] >= 1 && $stored['firstMonth'] <= 12 ? $stored['firstMonth'] : null,
            self::terms($stored['schoolYear'] ?? null),
            is_int($stored['closures'] ?? null) ? $stored['closures'] : null,
            self::sites($stored['frameSites'] ?? null),
            is_string($stored['meetings'] ?? null) && MeetingPattern::isValid($stored['meetings']) ? $stored['meetings'] : $known->meetings,
        );
    }

    /** The day that words mean here, as dates are written, else as the school says them; null where they mean none. */
    public function dayOf(string $words, LocalDateTime $today): ?LocalDateTime
    {
        return DateWords::read($words, $today, $this->habits->dayFirst) ?? SchoolDateWords::read($words, $today, $this->year());
    }

    /** @return list<string> */
    private static function sites(mixed $stored): array
    {
        try {
            return array_map(static fn (mixed $each): string => FrameSite::of(is_string($each) ? $each : '')->origin, is_array($stored) ? array_values($stored) : []);
        } catch (InvalidSite) {
            return [];
        }
    }

    private static function terms(mixed $stored): ?SchoolYear
    {
        try {
            $year = SchoolYear::fromArray(is_array($stored) ? $stored : []);
        } catch (InvalidSchoolYear) {
            return null;
        }

        return $year->isEmpty() ? null : $year;
    }

    /** @return array{administratorsNeedSecondFactor: bool, plainHttp: bool, dayFirst: bool, morning: int, afternoon: int, evening: int, mayAskFor: string, name: string, timezone: ?string, firstMonth: ?int, schoolYear: ?array<string, mixed>, closures: ?int, frameSites: list<string>, meetings: string} */
    public function toArray(): array
    {
        return [
            'administratorsNeedSecondFactor' => $this->administratorsNeedSecondFactor,
            'plainHttp' => $this->plainHttp,
            'dayFirst' => $this->habits->dayFirst,
            'morning' => $this->habits->morning,
            'afternoon' => $this->habits->afternoon,
            'evening' => $this->habits->evening,
            'mayAskFor' => $this->mayAskFor->value,
            'name' => $this->name,
            'timezone' => $this->timezone?->name,
            'firstMonth' => $this->firstMonth,
            'schoolYear' => $this->schoolYear?->toArray(),
            'closures' => $this->closures,
            'frameSites' => $this->frameSites,
            'meetings' => $this->meetings,
        ];
    }
}
