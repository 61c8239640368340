<?php

namespace App\Publishing;

use App\Access\AccessibleCalendar;
use App\Access\AccessReader;
use App\Access\Perspective;
use App\Organisation\Organisation;
use App\Overlays\DrawnLayers;
use App\Overlays\LayerConditions;
use App\Overlays\LayersOfSheet;
use App\Overlays\Sheet;
use App\Overlays\SheetQuery;
use App\Overlays\SheetReader;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Overlay\CategoryCondition;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Publishing\Detail;
use PinnedRota\Core\SchoolYear\SchoolYear;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Reads what a publication gives of a window, as its publisher may see it at this moment, with an outsider’s eyes. */
final class PublishedWindow
{
    public function __construct(private readonly AccessReader $access, private readonly LayersOfSheet $layers, private readonly LayerConditions $conditions, private readonly SheetReader $sheets, private readonly Organisation $organisation)
    {
    }

    /**
     * @param  LocalDateTime  $from  the first day
     * @param  LocalDateTime  $to  the day after the last
     * @param  list<string>  $categories  what is asked for besides, where the publication tells categories
     * @return ?Sheet null where its publisher may see nothing of it any more
     */
    public function read(Publication $publication, LocalDateTime $from, LocalDateTime $to, LocalDateTime $today, array $categories = []): ?Sheet
    {
        $publishers = $this->publishers($publication);
        if ($publishers === null) {
            return null;
        }
        $layers = $this->layersOf($publication, $publishers);
        $within = $this->within($publication, $from, $to, $today);
        if ($within === null) {
            return new Sheet($layers->all, [], [], [], true);
        }
        $filter = $categories === [] || ! $publication->detail->tellsWhere() ? new Filter : new Filter([new CategoryCondition($categories)]);

        return $this->sheets->read(self::outsiders($publishers, $publication->detail), new SheetQuery($within[0], $within[1], $this->zone($publication), $publication->overlay, $publication->calendar, $filter, layers: $layers));
    }

    /**
     * What its publisher sees of the same days: all that could be given, with nothing left out that they chose to leave out.
     *
     * @return ?Sheet null where that is nothing
     */
    public function whole(Publication $publication, LocalDateTime $from, LocalDateTime $to): ?Sheet
    {
        $publishers = $this->publishers($publication);

        return $publishers === null ? null : $this->sheets->read($publishers, new SheetQuery($from, $to, $this->zone($publication), $publication->overlay, $publication->calendar));
    }

    /**
     * The part of a window that it gives on a day; null where that is none of it.
     *
     * @return array{LocalDateTime, LocalDateTime}|null
     */
    public function within(Publication $publication, LocalDateTime $from, LocalDateTime $to, LocalDateTime $today): ?array
    {
        return $publication->reach()->within($from, $to, $today, $this->organisation->settings()->firstMonth ?? 1);
    }

    /** What it asks of events besides what its layers ask. */
    public function chosen(Publication $publication): Filter
    {
        return $this->conditions->filter($publication->conditions ?? [], $publication->published_by);
    }

    /** @return list<string> what its layers are called, in order */
    public function layerNames(Publication $publication): array
    {
        $publishers = $this->publishers($publication);

        return $publishers === null ? [] : array_column($this->layersOf($publication, $publishers)->all, 'name');
    }

    private function layersOf(Publication $publication, Perspective $publishers): DrawnLayers
    {
        return $this->layers->through($publishers, $publication->overlay, $publication->calendar)->plain()->narrowed($this->chosen($publication));
    }

    /** The school’s year, by which weeks are called. */
    public function year(): SchoolYear
    {
        return $this->organisation->settings()->year();
    }

    /** On whose wall its days and times are told. */
    public function zone(Publication $publication): Zone
    {
        return Zone::of($publication->calendar->timezone ?? $publication->publisher->timezone);
    }

    /** What the publisher sees; null where there is nothing of it that they may give. */
    private function publishers(Publication $publication): ?Perspective
    {
        if (! $publication->publisher->isActive() || ($publication->calendar === null && $publication->overlay === null)) {
            return null;
        }
        $viewer = $this->access->viewer($publication->publisher);
        // What is somebody's own goes out where it itself is published, never along with an overlay.
        $calendars = $this->access->calendars($viewer)->filter(fn (AccessibleCalendar $each): bool => $publication->calendar !== null || $each->calendar->own_of === null);
        $publishers = new Perspective($viewer, $calendars, true);
        $sees = $publication->calendar !== null
            ? $publishers->eventLevel($publication->calendar->id)->includes(Level::BusyTimes)
            : $this->access->overlay($viewer, $publication->overlay)->includes(Level::See);

        return $sees ? $publishers : null;
    }

    /** The same calendars with the eyes of an outsider, to whom no private event opens. */
    private static function outsiders(Perspective $publishers, Detail $detail): Perspective
    {
        return new Perspective(Viewer::outsider(), $publishers->calendars, true, Level::See, published: $detail);
    }
}
