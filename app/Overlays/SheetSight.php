<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Access\AccessReader;
use App\Access\Perspective;
use App\Calendars\Calendar;
use App\Events\Read\SeenOccurrence;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\PartyKind;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\ColouredBy;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Mark;

/** With whose eyes, through which layers and of which series a sheet is read. */
final readonly class SheetSight
{
    /** @param  ?list<int>  $seriesIds  null where all that is on the calendars is asked for */
    private function __construct(public Perspective $perspective, public DrawnLayers $layers, public ?array $seriesIds = null, public ?SheetParty $party = null, private ?PartyTimes $times = null)
    {
    }

    public static function of(Perspective $perspective, SheetQuery $query, LayersOfSheet $layers, AccessReader $access): self
    {
        return $query->party === null ? new self($perspective, $query->layers ?? $layers->of($perspective, $query)) : self::ofParty($query->party, $perspective, $access);
    }

    /** Of whom: all of them that the viewer may read, on whatever calendar; of all else, that the time is taken. */
    private static function ofParty(SheetParty $party, Perspective $perspective, AccessReader $access): self
    {
        $times = PartyTimes::of($party, $perspective, $access);
        $series = $times->seriesIds();
        $seen = $perspective->calendars;
        $hidden = Calendar::query()->with('source')->whereKeyNot($seen->keys())->whereIn('id', DB::table('events')->whereIntegerInRaw('id', $series)->select('calendar_id'))->get()
            ->mapWithKeys(static fn (Calendar $each): array => [$each->id => new AccessibleCalendar($each, new Decision(Level::BusyTimes, []))]);
        $calendars = $seen->union($hidden);
        $about = match ($party->kind) {
            PartyKind::Person => 'what you may read of them, else that they are busy',
            PartyKind::Group => count($party->people).' people',
            PartyKind::Room => 'what takes place there',
        };
        $layer = new DrawnLayer($party->name, $about, Colour::Slate, Mark::Disc, $calendars->keys()->all(), new Filter, anyTarget: true);

        return new self(new Perspective($perspective->viewer, $calendars, $perspective->readOnly), new DrawnLayers([$layer], colouredBy: $party->kind === PartyKind::Group ? ColouredBy::Person : ColouredBy::Calendar), $series, $party, $times);
    }

    /** @return ?list<int> the people of the sheet whose time it takes; null where the sheet is of no people */
    public function takenOf(SeenOccurrence $seen): ?array
    {
        return $this->times?->takenOf($seen);
    }
}
