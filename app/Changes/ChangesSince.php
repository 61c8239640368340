<?php

namespace App\Changes;

use App\Access\AccessReader;
use App\Calendars\Calendar;
use App\Directory\Person;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Support\Facades\Crypt;

/** What a browser has missed while it was not connected. */
final class ChangesSince
{
    /** With more than this it asks anew for all there is. */
    private const MOST = 500;

    /**
     * In seconds. Of two changes at once, the one that was begun first may end last: it would come before a position that
     * was taken in between. What is as new as this is told again.
     */
    private const UNSETTLED = 60;

    public function __construct(private readonly AccessReader $access)
    {
    }

    /** @param  ?string  $position  as it was told the last time; null for whoever asks for the first time */
    public function of(Person $person, ?string $position): ChangesData
    {
        [$after, $asked] = $this->read($position);
        $settled = max($after, (int) Change::query()->where('created_at', '<', now()->subSeconds(self::UNSETTLED))->max('id'));
        // Encrypted, so that the pace of what others do cannot be read from it.
        $now = Crypt::encryptString(json_encode([$settled, now()->getTimestamp()], JSON_THROW_ON_ERROR));
        if ($position !== null && $asked <= now()->subDays((int) config('rota.keep.change_mark_days'))->getTimestamp()) {
            return new ChangesData($now, true, []);
        }
        $calendars = $this->access->calendars($this->access->viewer($person))->map->calendar->all();
        $changes = Change::query()->where('id', '>', $position === null ? $settled : $after)
            ->where(fn ($query) => $query->whereIntegerInRaw('calendar_id', array_keys($calendars))
                ->orWhere(fn ($access) => $access->whereNull('calendar_id')->where(fn ($own) => $own->whereNull('person_id')->orWhere('person_id', $person->id))))
            ->orderBy('id')->limit(self::MOST + 1)->get();

        return $changes->count() > self::MOST ? new ChangesData($now, true, []) : new ChangesData($now, false, $changes->map(static fn (Change $change): MarkData => self::tell($change, $calendars))->values()->all());
    }

    /** @param  array<int, Calendar>  $calendars */
    private static function tell(Change $change, array $calendars): MarkData
    {
        return $change->calendar_id === null
            ? MarkData::ofAccess($change->mark)
            : new MarkData($change->mark, $calendars[$change->calendar_id]->slug, $change->first_day, $change->last_day);
    }

    /** @return array{int, int} the last change before a position, and when it was told, in UTC seconds; of what is none, long ago */
    private function read(?string $position): array
    {
        try {
            return $position === null ? [0, 0] : json_decode(Crypt::decryptString($position), true, flags: JSON_THROW_ON_ERROR);
        } catch (DecryptException) {
            return [0, 0];
        }
    }
}
