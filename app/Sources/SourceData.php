<?php

namespace App\Sources;

use App\Calendars\CalendarNameData;

/** A calendar that comes from an outside address. */
final readonly class SourceData
{
    /** So many of the last refreshes are told. */
    private const HISTORY = 10;

    /**
     * @param  list<RefreshData>  $history
     */
    public function __construct(
        public int $id,
        public CalendarNameData $calendar,
        public string $url,
        public bool $mayManage,
        public int $refreshMinutes,
        public ?string $succeededAt,
        public ?string $error,
        public array $history,
    ) {
    }

    /** @param  bool  $manages  an address may have a key in it: those who only read the calendar see just where it leads */
    public static function of(Source $source, bool $manages): self
    {
        return new self(
            id: $source->id,
            calendar: CalendarNameData::of($source->calendar),
            url: $manages ? $source->url : (string) parse_url($source->url, PHP_URL_HOST),
            mayManage: $manages,
            refreshMinutes: $source->refresh_minutes,
            succeededAt: $source->succeeded_at?->toIso8601ZuluString(),
            error: $source->error,
            history: $source->refreshes()->orderByDesc('id')->limit(self::HISTORY)->get()->map(RefreshData::of(...))->all(),
        );
    }
}
