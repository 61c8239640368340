<?php

namespace App\Preparation;

use App\Events\Write\Cause;
use App\Events\Write\EventsChanged;
use App\Events\Write\SeriesChanged;
use App\Events\Write\SeriesState;

/** Has those told by mail who are to prepare something from now on, and whoever is responsible for the event, within the transaction of the change. */
final class TellTasks
{
    public function __construct(private readonly TaskLetters $letters)
    {
    }

    public function handle(EventsChanged $changed): void
    {
        foreach ($changed->isTold() ? $changed->series : [] as $series) {
            if (! in_array($series->cause, [Cause::Screen, Cause::Undo], true) || ($series->before->tasks ?? []) === ($series->after->tasks ?? [])) {
                continue;
            }
            [$before, $after] = [self::doers($series->before), self::doers($series->after)];
            $new = array_diff_assoc($after, $before);
            $this->letters->assigned($series->seriesId, array_values(array_diff(array_unique($new), [$series->actor->personId])));
            if ($new !== []) {
                $this->letters->changed($series->seriesId, array_diff($this->responsible($series), [$series->actor->personId], $new));
            }
        }
    }

    /** @return array<int, int> who does what, by task */
    private static function doers(?SeriesState $state): array
    {
        return array_map(intval(...), array_filter(array_column($state === null || $state->isDeleted() ? [] : $state->tasks, 'doer_id', 'id')));
    }

    /** @return list<int> */
    private function responsible(SeriesChanged $series): array
    {
        return $this->letters->responsible($series->after->participants ?? [], $series->after?->authorId());
    }
}
