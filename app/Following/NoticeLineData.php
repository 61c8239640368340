<?php

namespace App\Following;

use App\Access\Perspective;
use App\Calendars\CalendarNameData;
use PinnedRota\Core\Notices\FollowedChange;

/**
 * One line of what changed, in words.
 *
 * @phpstan-import-type Line from NoticeLines
 */
final readonly class NoticeLineData
{
    /**
     * @param  ?FollowedChange  $change  Null of what is no change of an event: a remark, a place
     * @param  ?CalendarNameData  $calendar  On which it is, or was
     * @param  ?int  $event  Which can be looked at; null where it is gone, or where several are meant
     * @param  ?string  $occurrence  The first time of it that is meant, of a series
     * @param  ?string  $date  The first day that is meant
     */
    public function __construct(public string $words, public ?FollowedChange $change, public ?CalendarNameData $calendar, public ?int $event, public ?string $occurrence, public ?string $date)
    {
    }

    /** @param  Line  $line */
    public static function of(array $line, Perspective $perspective): self
    {
        $calendar = $perspective->calendars[$line['calendar']]->calendar ?? null;
        $isThere = $line['names'] && $line['was'] === null;

        return new self(
            $line['words'], FollowedChange::tryFrom($line['change']), $calendar === null ? null : CalendarNameData::of($calendar),
            $isThere ? $line['series'][0] : null, $isThere ? $line['times'][0] ?? null : null, $line['on'],
        );
    }
}
