<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Events\TargetCalendar;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Level;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Which sources somebody may pin as a whole, and to which calendars: what they see, where they may change what is on it. */
final class PinnableSource
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly TargetCalendar $targets)
    {
    }

    /**
     * @throws ModelNotFoundException where they see nothing of its calendar
     * @throws AccessDeniedHttpException where they see no more than when it has something
     */
    public function source(int $id): Source
    {
        $source = Source::query()->whereIn('calendar_id', $this->viewer->calendars()->keys())->with('calendar')->findOrFail($id);
        $this->viewer->demand($this->viewer->calendars()[$source->calendar_id]->level(), Level::See);

        return $source;
    }

    /**
     * @param  string  $field  by which it was asked for
     *
     * @throws ValidationException where they may not change what is on it
     */
    public function target(string $slug, string $field = 'calendar'): Calendar
    {
        $target = $this->targets->named($slug, $field);
        if (! EventRights::mayChange($target->eventLevel(), false)) {
            throw ValidationException::withMessages([$field => 'You may add events of your own to this calendar. All of a source is pinned to it by those who may change its events.']);
        }

        return $target->calendar;
    }

    /** Whether they may take it off: who pinned it, or may change what is on that calendar. */
    public function mayUnpin(SourcePin $pin): bool
    {
        $calendar = $this->viewer->calendars()[$pin->calendar_id] ?? null;

        return $pin->pinned_by === $this->viewer->person()->id || ($calendar !== null && EventRights::mayChange($calendar->eventLevel(), false));
    }

    /**
     * @throws ModelNotFoundException where they do not see that calendar
     * @throws AccessDeniedHttpException where somebody else pinned it there
     */
    public function demandUnpin(SourcePin $pin): void
    {
        if (! $this->mayUnpin($pin)) {
            throw isset($this->viewer->calendars()[$pin->calendar_id])
                ? new AccessDeniedHttpException('Somebody else pinned it there.')
                : (new ModelNotFoundException)->setModel(SourcePin::class);
        }
    }
}
