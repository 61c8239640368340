<?php

namespace App\Publishing;

use App\Events\EventRecord;
use App\Overlays\SheetItem;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Time\LocalDateTime;

/** One time of an event of a publication, found by its address. */
final class PublishedDetails
{
    public function __construct(private readonly PublishedWindow $windows)
    {
    }

    /**
     * @param  string  $date  on which it begins
     * @param  string  $name  the beginning of its name there
     * @return array{SheetItem, PublishedEvent, string}|null with what is noted of it; null where it is not, or no more, on that day
     */
    public function find(Publication $publication, string $date, string $name, Carbon $today): ?array
    {
        $day = LocalDateTime::parse($date);
        $sheet = $this->windows->read($publication, $day, $day->plusDays(1), LocalDateTime::parse($today->toDateString()));
        $zone = $this->windows->zone($publication);
        foreach ($sheet->items ?? [] as $item) {
            $event = PublishedEvent::of($publication, $item->tell($zone, []), $sheet->layers[$item->layer], $date, $date);
            if ($event->path === "{$date}/{$name}") {
                return [$item, $event, $publication->detail->tellsNotes() ? (string) EventRecord::query()->whereKey($item->seen->occurrence->eventId)->value('description') : ''];
            }
        }

        return null;
    }
}
