<?php

namespace App\Events;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Access\Sight;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Series;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Events as far as the viewer sees them: on their own calendar, or on one that they are pinned to. */
final class SeenEvents
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly EventTranslator $translator)
    {
    }

    public function load(Event $head): Series
    {
        return $this->translator->series($head->load(['categories', 'overrides.categories', 'pins']));
    }

    /**
     * The calendars by which it is seen: its own first, where that is one of them.
     *
     * @return array<int, AccessibleCalendar> by id
     */
    public function ways(Event $head, Sight $sight): array
    {
        $ids = [$head->calendar_id, ...$head->pins->pluck('calendar_id')];

        return array_filter(array_combine($ids, array_map(static fn (int $id): ?AccessibleCalendar => $sight->calendars[$id] ?? null, $ids)));
    }

    public function visibility(Event $head, CoreEvent $event, ?int $author, Sight $sight): Visibility
    {
        $isInvolved = $author === $sight->personId || $event->involves($sight->address, $sight->groupIds) || $head->pins->contains(fn ($pin): bool => $pin->joined && $pin->pinned_by === $sight->personId);
        $seen = Visibility::Hidden;
        foreach ($this->ways($head, $sight) as $id => $way) {
            $seen = $seen->or(Visibility::of($way->eventLevel(), $event->private, $event->busy, $isInvolved, $id !== $head->calendar_id));
        }

        return $seen;
    }

    /**
     * An event that the person sees in full.
     *
     * @throws ModelNotFoundException where they see nothing of it, as though it were not there
     * @throws AccessDeniedHttpException where they see only that the time is taken
     */
    public function full(int $id, bool $locked = false): Event
    {
        $head = Event::query()->whereNull('series_id')->when($locked, fn ($query) => $query->lockForUpdate())->findOrFail($id);
        $series = $this->load($head);
        $visibility = Visibility::Hidden;
        foreach ($series->events() as $event) {
            $visibility = $visibility->or($this->visibility($head, $event, $head->created_by, $this->viewer->sight()));
        }
        match ($visibility) {
            Visibility::Hidden => throw (new ModelNotFoundException)->setModel(Event::class),
            Visibility::BusyOnly => throw new AccessDeniedHttpException('You see that the time is taken, not what for.'),
            Visibility::Full => null,
        };

        return $head;
    }

    /** Whether the person may change an event: by its own calendar, never by one that it is pinned to. */
    public function mayChange(Event $head, Sight $sight): bool
    {
        $calendar = $sight->calendars[$head->calendar_id] ?? null;

        return $calendar !== null && ! $sight->readOnly && EventRights::mayChange($calendar->eventLevel(), $head->created_by === $sight->personId);
    }

    /**
     * @throws ModelNotFoundException where they see nothing of it
     * @throws AccessDeniedHttpException where they may not change it
     */
    public function demandChange(Event $head): void
    {
        if ($this->mayChange($head, $this->viewer->sight())) {
            return;
        }
        // What is hidden from the viewer is told of as though it were not there.
        $series = $this->load($head);
        if ($this->visibility($head, $series->master ?? $series->overrides[0], $head->created_by, $this->viewer->sight()) === Visibility::Hidden) {
            throw (new ModelNotFoundException)->setModel(Event::class);
        }
        $calendar = $this->viewer->calendars()[$head->calendar_id] ?? null;
        throw new AccessDeniedHttpException(match (true) {
            $calendar === null => 'This event is pinned here; it is changed on its own calendar.',
            $calendar->calendar->isSubscribed() && $calendar->level()->includes(Level::Read) => 'This event comes from outside and is changed there.',
            default => 'You may look at this event, not change it.',
        });
    }
}
