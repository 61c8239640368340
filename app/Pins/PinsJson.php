<?php

namespace App\Pins;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Directory\Person;
use App\Events\EventRecord;
use PinnedRota\Core\Access\EventRights;

/** Where else an event shows, and who has joined it, as the API tells it to one viewer. */
final class PinsJson
{
    /**
     * @param  array<int, AccessibleCalendar>  $ways  by which the viewer sees it
     * @param  bool  $mayChange  whether they may change the event
     * @return array{pins: list<array<string, mixed>>, pinned: bool, joined: bool, joiners: int, joinerNames: list<string>}
     */
    public static function tell(EventRecord $head, bool $full, array $ways, Perspective $perspective, bool $mayChange): array
    {
        $pins = $full ? $head->pins->where('calendar_id', '!=', $head->calendar_id) : collect();
        $joined = $full ? $head->pins->where('joined', true) : collect();
        $seen = $pins->filter(fn (Pin $pin): bool => isset($ways[$pin->calendar_id]));
        $people = $full ? Person::query()->whereKey($joined->pluck('pinned_by')->concat($seen->pluck('pinned_by'))->filter())->pluck('name', 'id') : collect();

        return [
            'pins' => $seen->map(fn (Pin $pin): array => [
                'calendar' => $ways[$pin->calendar_id]->calendar->slug,
                'name' => $ways[$pin->calendar_id]->calendar->name,
                'by' => $people[$pin->pinned_by] ?? null,
                'mayUnpin' => ! $perspective->readOnly && ($mayChange || $pin->pinned_by === $perspective->viewer->personId || EventRights::mayChange($ways[$pin->calendar_id]->eventLevel(), false)),
            ])->values()->all(),
            // Seen by a pin alone: its own calendar is not open to the viewer.
            'pinned' => $full && ! isset($ways[$head->calendar_id]),
            'joined' => $joined->contains('pinned_by', $perspective->viewer->personId),
            'joiners' => $joined->count(),
            // By name for those alone who look after the event.
            'joinerNames' => $mayChange ? $joined->map(fn (Pin $pin): string => $people[$pin->pinned_by] ?? 'Somebody who has left')->sort()->values()->all() : [],
        ];
    }
}
