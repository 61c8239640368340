<?php

namespace App\Preparation;

use App\Directory\Person;
use Illuminate\Support\Facades\Cache;

/** Tells each morning what is to be prepared by the end of the next day, to who does it, on their clock: once a day, also where several look at once. */
final class TellDueTasks
{
    private const HOUR = 7;

    public function __construct(private readonly TaskLetters $letters)
    {
    }

    /** @return int how many people are written to, where anything is due */
    public function run(): int
    {
        $doers = Person::query()->whereIn('id', Task::query()->whereNotNull('doer_id')->distinct()->select('doer_id'))->where('status', 'active')->where('invitations_by_mail', true)->get(['id', 'timezone']);
        $told = $doers->filter(static function (Person $each): bool {
            $now = now($each->timezone);

            return $now->hour === self::HOUR && Cache::add("tasks due {$each->id} {$now->toDateString()}", true, 86_400);
        })->map(static fn (Person $each): int => $each->id)->values()->all();
        $this->letters->due($told);

        return count($told);
    }
}
