<?php

namespace App\Publishing;

use App\Overlays\Sheet;
use App\Overlays\SheetItem;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Time\LocalDateTime;

/** Looks at what a publication gives, or would give, and at what it leaves out, with the eyes of whoever publishes it. */
final class PublicationPreview
{
    /** So many days around today are looked at. */
    private const BACK = 28;

    private const ON = 364;

    private const SHOWN = 5;

    private const EXAMPLES = 3;

    public function __construct(private readonly PublishedWindow $windows, private readonly PublicationWarnings $warnings)
    {
    }

    public function of(Publication $publication): PublicationPreviewData
    {
        $zone = $this->windows->zone($publication);
        $today = LocalDateTime::parse(Carbon::now($zone->name)->toDateString());
        [$from, $to] = [$today->plusDays(-self::BACK), $today->plusDays(self::ON)];
        $told = $this->windows->read($publication, $from, $to, $today);
        $items = $told->items ?? [];
        $coming = array_values(array_filter($items, static fn (SheetItem $item): bool => $item->seen->occurrence->on($zone)[1]->seconds > $today->seconds));

        return new PublicationPreviewData(
            from: $from->toDate(),
            to: $to->toDate(),
            count: count($items),
            busy: count(array_filter($items, static fn (SheetItem $item): bool => ! $item->seen->isFull)),
            events: array_map(static fn (SheetItem $item): PreviewedEventData => PreviewedEventData::of($item->tell($zone, [])), array_slice($coming, 0, self::SHOWN)),
            leftOut: $this->leftOut($publication, $this->windows->whole($publication, $from, $to), [$from, $to], $today),
            warnings: $this->warnings->of($publication, $items),
        );
    }

    /**
     * @param  array{LocalDateTime, LocalDateTime}  $window
     * @return list<LeftOutData>
     */
    private function leftOut(Publication $publication, ?Sheet $whole, array $window, LocalDateTime $today): array
    {
        $zone = $this->windows->zone($publication);
        $reach = $this->windows->within($publication, $window[0], $window[1], $today);
        $chosen = $this->windows->chosen($publication);
        $titles = [];
        foreach ($whole->items ?? [] as $item) {
            $seen = $item->seen;
            [$starts, $ends] = $seen->occurrence->on($zone);
            $why = match (true) {
                $reach === null || $starts->seconds >= $reach[1]->seconds || max($ends->seconds, $starts->seconds + 1) <= $reach[0]->seconds => 'beyond',
                ! $chosen->takes($seen->facts) => 'conditions',
                $publication->detail->tellsWhat() && ! $seen->isFull => 'busy',
                $publication->detail->tellsWhat() && $seen->occurrence->private => 'private',
                default => null,
            };
            if ($why !== null) {
                $titles[$why][] = $seen->occurrence->title;
            }
        }

        return array_map(static fn (string $why, array $of): LeftOutData => new LeftOutData($why, count($of), array_slice(array_values(array_unique($of)), 0, self::EXAMPLES)), array_keys($titles), $titles);
    }
}
