<?php

namespace App\Pins;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Directory\Person;
use App\Events\EventRecord;
use PinnedRota\Core\Access\EventRights;

/** Where else an event shows, and who has joined it, as one viewer is told. */
final readonly class EventPins
{
    /**
     * @param  list<PinData>  $pins  of those that the viewer sees
     * @param  bool  $joined  whether the viewer has joined it
     * @param  list<string>  $joinerNames  for those alone who look after the event
     */
    private function __construct(public array $pins, public bool $joined, public int $joiners, public array $joinerNames)
    {
    }

    public static function none(): self
    {
        return new self([], false, 0, []);
    }

    /**
     * @param  array<int, AccessibleCalendar>  $ways  by which the viewer sees it, in full
     * @param  bool  $mayChange  whether they may change the event
     */
    public static function of(EventRecord $head, array $ways, Perspective $perspective, bool $mayChange): self
    {
        $joined = $head->pins->where('joined', true);
        // Where somebody sees it because they are asked is nobody else’s business, and theirs by being asked.
        $there = $head->pins->where('asked', false)->where('calendar_id', '!=', $head->calendar_id)->filter(static fn (Pin $pin): bool => $mayChange || isset($ways[$pin->calendar_id]));
        $people = Person::query()->whereKey($joined->pluck('pinned_by')->concat($there->pluck('pinned_by'))->filter())->pluck('name', 'id');
        $tell = static function (Pin $pin) use ($ways, $perspective, $mayChange, $people): PinData {
            $way = $ways[$pin->calendar_id] ?? null;
            $isTheirs = $mayChange || $pin->pinned_by === $perspective->viewer->personId || ($way !== null && EventRights::mayChange($way->eventLevel(), false));
            $mayUnpin = ! $perspective->readOnly && $pin->source_pin_id === null && $isTheirs;

            return new PinData($pin->id, $way?->calendar->slug, $way === null ? 'a calendar that you do not see' : $way->calendar->name, $people[$pin->pinned_by] ?? null, $mayUnpin, $pin->joined);
        };

        return new self(
            $there->map($tell)->values()->all(),
            $joined->contains('pinned_by', $perspective->viewer->personId),
            $joined->count(),
            $mayChange ? $joined->map(static fn (Pin $pin): string => $people[$pin->pinned_by] ?? 'Somebody who has left')->sort()->values()->all() : [],
        );
    }
}
