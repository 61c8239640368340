<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Calendars\CalendarNameData;
use App\Directory\Person;
use App\Pins\PinnerAccess;
use Illuminate\Database\Eloquent\Collection;
use PinnedRota\Core\Access\Level;

/** Tells where sources are pinned to as whoever asks may know it. */
final class SourcePinsSeen
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly PinnableSource $pinnable, private readonly PinnerAccess $pinners)
    {
    }

    /**
     * Of sources: the calendars to which they are pinned, of those that the viewer sees.
     *
     * @param  Collection<int, Source>  $sources
     * @return array<int, list<SourcePinData>> by source
     */
    public function ofSources(Collection $sources): array
    {
        $pins = SourcePin::query()->whereIn('source_id', $sources->modelKeys())->whereIn('calendar_id', $this->viewer->calendars()->keys())
            ->with(['source', 'calendar'])->orderBy('id')->get();
        $told = array_fill_keys($sources->modelKeys(), []);
        foreach ($this->tell($pins, static fn (SourcePin $pin): Calendar => $pin->calendar) as $each) {
            $told[$each->source][] = $each;
        }

        return $told;
    }

    /** @return list<SourcePinData> the sources that are pinned to a calendar */
    public function on(Calendar $calendar): array
    {
        $pins = SourcePin::query()->where('calendar_id', $calendar->id)->with(['source.calendar', 'calendar'])->orderBy('id')->get();

        return $this->tell($pins, static fn (SourcePin $pin): Calendar => $pin->source->calendar);
    }

    /**
     * @param  Collection<int, SourcePin>  $pins
     * @param  callable(SourcePin): Calendar  $other  which calendar of it is told
     * @return list<SourcePinData>
     */
    private function tell(Collection $pins, callable $other): array
    {
        $people = Person::query()->whereKey($pins->pluck('pinned_by')->filter()->unique())->pluck('name', 'id');
        $this->pinners->prepare($pins->map(static fn (SourcePin $pin): array => [$pin->source->calendar_id, $pin->pinned_by])->values()->all());

        return $pins->map(function (SourcePin $pin) use ($other, $people): SourcePinData {
            $calendar = $other($pin);

            return new SourcePinData(
                id: $pin->id,
                source: $pin->source_id,
                calendar: isset($this->viewer->calendars()[$calendar->id]) ? CalendarNameData::of($calendar) : null,
                by: $people[$pin->pinned_by] ?? null,
                shared: $this->isShared($pin),
                mayUnpin: $this->pinnable->mayUnpin($pin),
            );
        })->values()->all();
    }

    /** Whether whoever pinned it may see what is in it still. */
    public function isShared(SourcePin $pin): bool
    {
        return $this->pinners->level($pin->source->calendar_id, $pin->pinned_by)->includes(Level::See);
    }
}
