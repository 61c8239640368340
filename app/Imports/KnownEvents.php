<?php

namespace App\Imports;

use App\Calendars\Calendar;
use App\Events\EventRecord;
use Illuminate\Database\Eloquent\Builder;
use PinnedRota\Core\Import\KnownSeries;

/** What a calendar has already, some of it at a time. */
final class KnownEvents implements KnownSeries
{
    private const AT_ONCE = 2000;

    /** @param  ?list<string>  $among  UIDs of those that may be taken away; null: all of it */
    public function __construct(private readonly Calendar $calendar, private readonly ?array $among = null)
    {
    }

    public function fingerprints(array $uids): array
    {
        return $this->heads()->whereIn('uid', $uids)->pluck('fingerprint', 'uid')->map(static fn (?string $fingerprint): string => (string) $fingerprint)->all();
    }

    public function uids(): iterable
    {
        if ($this->among !== null) {
            yield from $this->among;

            return;
        }
        foreach ($this->heads()->select(['id', 'uid'])->toBase()->lazyById(self::AT_ONCE) as $head) {
            yield (string) $head->uid;
        }
    }

    /**
     * @param  list<string>  $uids
     * @return array<string, int> ids of heads by UID
     */
    public function ids(array $uids): array
    {
        return $uids === [] ? [] : $this->heads()->whereIn('uid', $uids)->pluck('id', 'uid')->all();
    }

    /** @return Builder<EventRecord> */
    private function heads(): Builder
    {
        return EventRecord::query()->where('calendar_id', $this->calendar->id)->whereNull('series_id');
    }
}
