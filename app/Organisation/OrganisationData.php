<?php

namespace App\Organisation;

use App\Calendars\Calendar;
use PinnedRota\Core\Access\Level;

/** What the organisation decides. */
final readonly class OrganisationData
{
    /**
     * @param  string  $name  Empty where nobody has said
     * @param  string  $timezone  That new people and calendars are in
     * @param  ?int  $firstMonth  In which its year begins, from 1; null where it has none but that of the calendar
     * @param  ?string  $closures  The calendar whose closing events close days everywhere, where the reader sees it
     * @param  bool  $plainHttp  Whether a webcal: address may be fetched without encryption
     * @param  bool  $dayFirst  Whether 2/11 is the second of November
     * @param  string  $morning  When what is “in the morning” begins, such as 09:00
     * @param  string  $afternoon  The same of “in the afternoon”
     * @param  string  $evening  The same of “in the evening”
     * @param  list<string>  $frameSites  Origins of the sites on which people may sign in within a frame
     * @param  string  $meetings  By what links of meetings are made: an address with {code} in it, or that of a service; empty where none are
     * @param  Level  $mayAskFor  The highest level that people may ask for; none where nobody asks
     */
    public function __construct(
        public string $name,
        public string $timezone,
        public ?int $firstMonth,
        public SchoolYearData $schoolYear,
        public ?string $closures,
        public bool $administratorsNeedSecondFactor,
        public bool $plainHttp,
        public bool $dayFirst,
        public string $morning,
        public string $afternoon,
        public string $evening,
        public Level $mayAskFor,
        public array $frameSites,
        public string $meetings,
        public int $version,
    ) {
    }

    public static function of(Organisation $organisation): self
    {
        $is = $organisation->settings();

        return new self(
            $is->name, $organisation->timezone(), $is->firstMonth, SchoolYearData::of($is->year()), $is->closures === null ? null : Calendar::query()->whereKey($is->closures)->value('slug'),
            $is->administratorsNeedSecondFactor, $is->plainHttp, $is->habits->dayFirst, self::clock($is->habits->morning), self::clock($is->habits->afternoon), self::clock($is->habits->evening), $is->mayAskFor, $is->frameSites, $is->meetings, $organisation->version(),
        );
    }

    private static function clock(int $minutes): string
    {
        return sprintf('%02d:%02d', intdiv($minutes, 60), $minutes % 60);
    }
}
