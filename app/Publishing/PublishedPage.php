<?php

namespace App\Publishing;

use App\Overlays\Sheet;
use App\Overlays\SheetItemData;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Publishing\Audience;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/** What stands on the page of a publication. */
final readonly class PublishedPage
{
    /**
     * @param  array<string, list<PublishedEvent>>  $days  each day that is shown, with what is on
     * @param  array<string, string>  $closed  what closes days, by date
     * @param  array<string, string>  $weeks  what the school calls the week, by its Monday
     * @param  list<array{name: string, colour: string, mark: string, isOff: bool, query: string}>  $layers
     * @param  list<array{name: string, isOn: bool, query: string}>  $categories
     */
    private function __construct(
        public string $name,
        public string $url,
        public bool $isFindable,
        public bool $isFollowed,
        public bool $isTable,
        public bool $isEmpty,
        public string $zone,
        public string $today,
        public PublishedAsked $asked,
        public array $days,
        public array $closed,
        public array $weeks,
        public array $layers,
        public ?FrameLook $frame,
        public array $categories,
    ) {
    }

    public static function of(PublishedAddress $at, PublishedAsked $asked, Carbon $today, PublishedWindow $windows, ?FrameLook $frame = null): self
    {
        $publication = $at->publication;
        $now = LocalDateTime::parse($today->toDateString());
        $sheet = $windows->read($publication, $asked->from(), $asked->to(), $now, $asked->category === '' ? [] : [$asked->category]);
        $zone = $windows->zone($publication);
        $days = self::days($asked);
        foreach ($sheet->items ?? [] as $item) {
            if (! in_array($item->layer, $asked->off, true)) {
                self::put($days, $item->tell($zone, []), $publication, $sheet);
            }
        }

        return new self(
            name: $publication->name,
            url: $at->url(),
            isFollowed: $publication->followed,
            isTable: $publication->as_table,
            isFindable: $publication->audience === Audience::Everybody,
            isEmpty: $sheet === null,
            zone: $zone->name,
            today: $today->toDateString(),
            asked: $asked,
            days: $days,
            closed: self::dated($sheet->closed ?? []),
            weeks: self::weeks($windows, $asked),
            layers: self::layers($sheet, $asked),
            frame: $frame,
            categories: $publication->detail->tellsWhere() ? self::categories($sheet, $asked) : [],
        );
    }

    /** The words for what is shown: “27 November to 24 December 2026”. */
    public function heading(): string
    {
        $last = Carbon::parse((string) array_key_last($this->days));

        return $this->asked->view === 'month' ? $this->asked->month()->translatedFormat('F Y') : Carbon::parse((string) array_key_first($this->days))->translatedFormat('j F').' – '.$last->translatedFormat('j F Y');
    }

    public function link(string $query): string
    {
        $whole = implode('&', array_filter([$query, $this->frame?->query() ?? '']));

        return ($this->frame === null ? $this->url : "{$this->url}/frame").($whole === '' ? '' : "?{$whole}");
    }

    /**
     * The days of each layer that is shown, as a lane of its own.
     *
     * @return list<array{name: string, colour: string, mark: string, days: array<string, list<PublishedEvent>>}>
     */
    public function lanes(): array
    {
        $shown = array_filter($this->layers, static fn (array $layer): bool => ! $layer['isOff']);

        return array_map(fn (array $layer, int $lane): array => [
            'name' => $layer['name'], 'colour' => $layer['colour'], 'mark' => $layer['mark'],
            'days' => array_map(static fn (array $events): array => array_values(array_filter($events, static fn (PublishedEvent $event): bool => $event->lane === $lane)), $this->days),
        ], $shown, array_keys($shown));
    }

    /** @return list<array<string, mixed>> what programs read of it (schema.org), each event once */
    public function eventData(): array
    {
        $told = [];
        foreach ($this->days as $events) {
            foreach ($events as $event) {
                if (! $event->continues && ! $event->isHidden) {
                    $told[] = $event->data($this->zone, $this->url);
                }
            }
        }

        return $told;
    }

    /** @return array<string, list<PublishedEvent>> */
    private static function days(PublishedAsked $asked): array
    {
        $days = [];
        for ($day = $asked->from()->day(); $day < $asked->to()->day(); $day++) {
            $days[LocalDateTime::midnight($day)->toDate()] = [];
        }

        return $days;
    }

    /** @param  array<string, list<PublishedEvent>>  $days */
    private static function put(array &$days, SheetItemData $item, Publication $publication, Sheet $sheet): void
    {
        $layer = $sheet->layers[$item->layer];
        $last = $item->allDay ? Carbon::parse($item->end)->subDay() : Carbon::parse($item->end)->subSecond();
        $end = max(substr($item->start, 0, 10), $last->toDateString());
        foreach (array_keys($days) as $date) {
            if ($date >= substr($item->start, 0, 10) && $date <= $end) {
                $days[$date][] = PublishedEvent::of($publication, $item, $layer, $date, $end);
            }
        }
    }

    /** @return list<array{name: string, colour: string, mark: string, isOff: bool, query: string}> */
    private static function layers(?Sheet $sheet, PublishedAsked $asked): array
    {
        $told = [];
        foreach ($sheet->layers ?? [] as $index => $layer) {
            $isOff = in_array($index, $asked->off, true);
            $told[] = [
                'name' => $layer->name, 'colour' => $layer->colour->value, 'mark' => $layer->mark->value, 'isOff' => $isOff,
                'query' => $asked->query(['off' => $isOff ? array_values(array_diff($asked->off, [$index])) : [...$asked->off, $index]]),
            ];
        }

        return $told;
    }

    /** @return list<array{name: string, isOn: bool, query: string}> */
    private static function categories(?Sheet $sheet, PublishedAsked $asked): array
    {
        return array_map(static fn (string $name): array => ['name' => $name, 'isOn' => $name === $asked->category, 'query' => $asked->query(['category' => $name === $asked->category ? '' : $name])], array_map(strval(...), array_keys($sheet->categories ?? [])));
    }

    /** @return array<string, string> */
    private static function weeks(PublishedWindow $windows, PublishedAsked $asked): array
    {
        $named = [];
        foreach ($windows->year()->weeksBetween($asked->from()->day(), $asked->to()->day()) as $week) {
            $named[LocalDateTime::midnight($week->monday)->toDate()] = $week->name();
        }

        return $named;
    }

    /** What the school calls the week in which a day is; nothing where it calls it nothing, or has said so already. */
    public function weekBegun(string $date, ?string $before): string
    {
        $name = $this->weeks[self::monday($date)] ?? '';

        return $before !== null && self::monday($before) === self::monday($date) ? '' : $name;
    }

    private static function monday(string $date): string
    {
        return LocalDateTime::midnight(CivilDate::monday(LocalDateTime::parse($date)->day()))->toDate();
    }

    /**
     * @param  array<int, string>  $closed  by day number
     * @return array<string, string>
     */
    private static function dated(array $closed): array
    {
        $dated = [];
        foreach ($closed as $day => $title) {
            $dated[LocalDateTime::midnight($day)->toDate()] = $title;
        }

        return $dated;
    }
}
