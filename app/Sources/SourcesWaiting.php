<?php

namespace App\Sources;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Calendars\CalendarNameData;
use Illuminate\Support\Collection;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Sources\RefreshState;

/** Which sources wait for somebody who manages them. */
final class SourcesWaiting
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    /** @return list<SourceWaitingData> those that are to be decided first */
    public function all(): array
    {
        $managed = $this->viewer->calendars()->filter(static fn (AccessibleCalendar $each): bool => $each->calendar->isSubscribed() && $each->level() === Level::Manage)->keys();
        $sources = Source::query()->whereIn('calendar_id', $managed)->with('calendar')->get();
        /** @var Collection<int, Refresh> $held by source */
        $held = Refresh::query()->whereIn('source_id', $sources->modelKeys())->where('state', RefreshState::Held)->get()->keyBy('source_id');

        return $sources->filter(static fn (Source $each): bool => $each->failing_since !== null || $held->has($each->id))
            ->sortBy(static fn (Source $each): array => [! $held->has($each->id), mb_strtolower($each->calendar->name)])
            ->map(static fn (Source $each): SourceWaitingData => new SourceWaitingData(
                $each->id, CalendarNameData::of($each->calendar), $each->failing_since?->toIso8601ZuluString(), $each->error, ($waits = $held->get($each->id)) === null ? null : RefreshData::of($waits),
            ))->values()->all();
    }
}
