<?php

namespace App\Publishing;

use App\Overlays\DrawnLayer;
use App\Overlays\SheetItemData;
use Carbon\CarbonImmutable;
use PinnedRota\Core\Events\Status;

/** An event on a day of a published page. */
final readonly class PublishedEvent
{
    /** So much of its name is in its address. */
    public const NAME = 20;

    /**
     * @param  bool  $isHidden  whether it is told that the time is taken and nothing else
     * @param  bool  $continues  whether it began on an earlier day
     * @param  int  $lane  its layer, by its place in the key
     * @param  string  $when  “9:00–10:30”, “all day”, “to Fri 4 Dec”
     * @param  list<string>  $categories
     * @param  list<string>  $responsible
     * @param  string  $path  of its own page, below that of the publication; none where it is hidden
     */
    private function __construct(
        public string $title,
        public string $when,
        public string $start,
        public string $end,
        public string $place,
        public array $categories,
        public array $responsible,
        public string $status,
        public int $lane,
        public string $layer,
        public string $colour,
        public string $mark,
        public bool $isHidden,
        public bool $continues,
        public bool $allDay,
        public string $path,
    ) {
    }

    /**
     * @param  string  $date  the day on which it is told
     * @param  string  $last  the last day that it takes up
     */
    public static function of(Publication $publication, SheetItemData $item, DrawnLayer $layer, string $date, string $last): self
    {
        return new self(
            title: $item->title,
            when: self::when($item, $date, $last),
            start: $item->start,
            end: $item->end,
            place: $item->place,
            categories: $item->categories,
            responsible: $item->responsible,
            status: $item->status === Status::Confirmed ? '' : $item->status->value,
            lane: $item->layer,
            layer: $layer->name,
            colour: ($item->colour ?? $layer->colour)->value,
            mark: $layer->mark->value,
            isHidden: $item->busyOnly,
            continues: $date > substr($item->start, 0, 10),
            allDay: $item->allDay,
            path: $item->busyOnly ? '' : substr($item->start, 0, 10).'/'.substr($publication->nameOf($item->id, $item->occurrence), 0, self::NAME),
        );
    }

    /**
     * @param  string  $page  the address of the whole
     * @return array<string, mixed> as schema.org has events
     */
    public function data(string $zone, string $page): array
    {
        return array_filter([
            '@type' => 'Event',
            'name' => $this->title,
            'startDate' => $this->told($this->start, $zone),
            // The last day, of whole days: schema.org has no end that is not included.
            'endDate' => $this->allDay ? CarbonImmutable::parse($this->end)->subDay()->toDateString() : $this->told($this->end, $zone),
            'eventStatus' => $this->status === 'cancelled' ? 'https://schema.org/EventCancelled' : 'https://schema.org/EventScheduled',
            'url' => $this->path === '' ? null : "{$page}/{$this->path}",
            'location' => $this->place === '' ? null : ['@type' => 'Place', 'name' => $this->place],
        ]);
    }

    private function told(string $when, string $zone): string
    {
        return $this->allDay ? $when : CarbonImmutable::parse($when, $zone)->toIso8601String();
    }

    private static function when(SheetItemData $item, string $date, string $last): string
    {
        $lasts = $last > $date ? 'to '.CarbonImmutable::parse($last)->translatedFormat('D j M') : '';
        if ($item->allDay) {
            return $lasts === '' ? 'all day' : $lasts;
        }
        $begins = substr($item->start, 0, 10) === $date ? self::clock($item->start) : '';
        if ($lasts !== '') {
            return trim("{$begins} {$lasts}");
        }

        return $begins === '' ? 'until '.self::clock($item->end) : ($item->end === $item->start ? $begins : $begins.'–'.self::clock($item->end));
    }

    private static function clock(string $when): string
    {
        return ltrim(substr($when, 11, 2), '0').(str_starts_with(substr($when, 11, 2), '00') ? '0' : '').substr($when, 13, 3);
    }
}
