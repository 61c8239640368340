<?php

namespace App\Publishing;

use App\Feeds\TimeEvent;
use App\Overlays\Sheet;
use App\Overlays\SheetItem;
use App\Overlays\SheetItemData;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\Publishing\TableColumn;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What is on the page of a publication as files: for devices that follow it (RFC 5545), and as a table. Each time of an event is told on its own, exactly as the page has it. */
final class PublishedFiles
{
    /** How far what has no bounds is told, in days from today. */
    private const BACK = 366;

    private const ON = 731;

    private const REFRESH_MINUTES = 60;

    public function __construct(private readonly PublishedWindow $windows)
    {
    }

    /** @return ?string null where its publisher may see nothing of it any more */
    public function calendar(Publication $publication, Carbon $today): ?string
    {
        $sheet = $this->sheet($publication, $today);
        if ($sheet === null) {
            return null;
        }
        $zone = $this->windows->zone($publication);
        $stamp = $today->copy()->startOfDay()->getTimestamp();
        $series = (static function () use ($sheet, $publication, $zone, $stamp) {
            foreach ($sheet->items as $item) {
                yield new Series(self::event($item->tell($zone, []), $publication, $zone, $stamp));
            }
        })();

        return CalendarWriter::text(new CalendarHead($publication->name, refreshMinutes: self::REFRESH_MINUTES), $series);
    }

    /** @return ?list<list<string>> the first with the names of the columns; null where its publisher may see nothing of it any more */
    public function table(Publication $publication, Carbon $today): ?array
    {
        $sheet = $this->sheet($publication, $today);
        if ($sheet === null) {
            return null;
        }
        $zone = $this->windows->zone($publication);
        $columns = array_fill_keys(['Title', 'Start', 'End', 'All day'], true);
        foreach (TableColumn::cases() as $column) {
            $columns[ucfirst($column->value)] = $column->isToldBy($publication->detail) && ($column !== TableColumn::Layer || $publication->overlay !== null) && in_array($column->value, $publication->table_columns ?? [$column->value], true);
        }
        $rows = array_map(static function (SheetItem $item) use ($zone, $sheet, $columns): array {
            $told = $item->tell($zone, []);
            $cells = [
                'Title' => $told->title, 'Start' => str_replace('T', ' ', $told->start), 'End' => str_replace('T', ' ', $told->allDay ? Carbon::parse($told->end)->subDay()->toDateString() : $told->end),
                'All day' => $told->allDay ? 'yes' : '', 'State' => $told->status->value, 'Place' => $told->place, 'Categories' => implode(', ', $told->categories),
                'Responsible' => implode(', ', $told->responsible), 'Layer' => $sheet->layers[$told->layer]->name,
            ];

            return array_values(array_intersect_key($cells, array_filter($columns)));
        }, $sheet->items);

        return [array_keys(array_filter($columns)), ...$rows];
    }

    private function sheet(Publication $publication, Carbon $today): ?Sheet
    {
        $day = LocalDateTime::parse($today->toDateString());

        return $this->windows->read($publication, $day->plusDays(-self::BACK), $day->plusDays(self::ON), $day);
    }

    /** One time of an event, for a diary: without a way back to it, as it is not followed. */
    public function single(Publication $publication, SheetItem $item, string $notes, Carbon $today): string
    {
        $zone = $this->windows->zone($publication);

        return CalendarWriter::text(new CalendarHead($publication->name), [new Series(self::event($item->tell($zone, []), $publication, $zone, $today->copy()->startOfDay()->getTimestamp(), $notes))]);
    }

    private static function event(SheetItemData $item, Publication $publication, Zone $zone, int $stamp, string $notes = ''): Event
    {
        return TimeEvent::of($item, $zone, $publication->nameOf($item->id, $item->occurrence).'@published.invalid', $stamp, $notes);
    }
}
