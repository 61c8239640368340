<?php

namespace App\Events\Read;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Pins\Pin;
use App\Pins\PinnerAccess;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Involvement;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Redaction;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\GuestRight;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Time\InvalidTime;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Whole series as somebody sees them: on their own calendar, or on one that they are pinned to. */
final class SeenSeries
{
    public function __construct(private readonly EventTranslator $translator, private readonly PinnerAccess $pinners)
    {
    }

    /** All of a series, whoever looks: for changing it, and for taking of it what of() leaves. */
    public function load(EventRecord $head): Series
    {
        return $this->translator->series($head->loadMissing(EventRecord::WHOLE));
    }

    /** What a viewer sees of a series; null where that is nothing. */
    public function of(EventRecord $head, Perspective $perspective): ?Series
    {
        $seen = Redaction::series($this->load($head), fn (Event $event): Visibility => $this->visibility($head, $event, $perspective));

        return $seen?->each(fn (Event $event): Event => $this->askedOf($head, $event, $perspective));
    }

    /** What of a series a viewer sees in full, as though what is only busy to them were not there; null where that is nothing. */
    public function inFull(EventRecord $head, Perspective $perspective): ?Series
    {
        $whole = $this->load($head);

        return $this->inFullBy($whole, $this->fullness($head, $whole, $perspective));
    }

    /**
     * Which events of a series a viewer sees in full, one after another: “1” or “0” for each, the master first. Empty where that is none.
     *
     * @param  Series  $whole  of the head
     */
    public function fullness(EventRecord $head, Series $whole, Perspective $perspective): string
    {
        if ($this->ways($head, $perspective) === []) {
            return '';
        }
        $seen = implode('', array_map(fn (Event $event): string => $this->visibility($head, $event, $perspective) === Visibility::Full ? '1' : '0', self::each($whole)));

        return str_contains($seen, '1') ? $seen : '';
    }

    /** What is seen of a series by whom its events are so visible: the same for all of them, as inFull() tells it of one. */
    public function inFullBy(Series $whole, string $fullness): ?Series
    {
        if ($fullness === '') {
            return null;
        }
        $places = array_flip(array_map(spl_object_id(...), self::each($whole)));

        return Redaction::series($whole, static fn (Event $event): Visibility => $fullness[$places[spl_object_id($event)]] === '1' ? Visibility::Full : Visibility::Hidden);
    }

    /** @return list<Event> */
    private static function each(Series $series): array
    {
        return $series->master === null ? $series->overrides : [$series->master, ...$series->overrides];
    }

    /**
     * The calendars by which it is seen: its own first, where that is one of them.
     *
     * @return array<int, AccessibleCalendar> by id
     */
    public function ways(EventRecord $head, Perspective $perspective): array
    {
        $ids = [$head->calendar_id, ...$head->pins->pluck('calendar_id')];

        return array_filter(array_combine($ids, array_map(static fn (int $id): ?AccessibleCalendar => $perspective->calendars[$id] ?? null, $ids)));
    }

    public function visibility(EventRecord $head, Event $event, Perspective $perspective): Visibility
    {
        $joined = $head->pins->filter(static fn (Pin $pin): bool => $pin->joined)->pluck('pinned_by')->all();
        $isInvolved = Involvement::of($perspective->viewer, $head->created_by, self::parties($event), $joined);
        $seen = Visibility::Hidden;
        foreach (array_keys($this->ways($head, $perspective)) as $id) {
            $by = Visibility::of($perspective->eventLevel($id), $event->contents->private, $event->contents->busy, $isInvolved, $id !== $head->calendar_id);
            $pin = $id === $head->calendar_id ? null : $head->pins->firstWhere('calendar_id', $id);
            $seen = $seen->or(match (true) {
                $pin === null => $by,
                $pin->asked => $by->atMost(PinnerAccess::askedSees($pin->pinned_by, $perspective->viewer, Involvement::of($perspective->viewer, null, self::parties($event), []))),
                default => $by->atMost($this->pinnerSeesOf($head, $event, $pin->pinned_by, $pin->joined)),
            });
        }

        return $perspective->looker === null ? $seen : $seen->atMost($this->visibility($head, $event, $perspective->looker));
    }

    /** Of those who take part, the ones that somebody sees: all by a calendar that is open to them, or where the event lets them; else themselves. */
    public function askedOf(EventRecord $head, Event $event, Perspective $perspective): Event
    {
        return $event->participants === [] || $this->seesAsked($head, $event, $perspective) ? $event : Redaction::othersAsked($event, $perspective->viewer);
    }

    public function seesAsked(EventRecord $head, Event $event, Perspective $perspective): bool
    {
        foreach (array_keys($this->ways($head, $perspective)) as $id) {
            $isByBeingAsked = $id !== $head->calendar_id && $head->pins->firstWhere('calendar_id', $id)?->asked === true;
            if (! $isByBeingAsked && $perspective->eventLevel($id)->includes(Level::See)) {
                return true;
            }
        }

        return GuestRight::See->isGivenBy($event);
    }

    /**
     * An event of which somebody sees the contents of one time at least.
     *
     * @throws ModelNotFoundException where they see nothing of it, as though it were not there
     * @throws AccessDeniedHttpException where they see only that the time is taken
     */
    public function partly(int $id, Perspective $perspective): EventRecord
    {
        $head = $this->find($id);
        $visibility = Visibility::Hidden;
        foreach ($this->load($head)->events() as $event) {
            $visibility = $visibility->or($this->visibility($head, $event, $perspective));
        }
        $this->demandFull($visibility);

        return $head;
    }

    /**
     * An event of which somebody sees the contents as such: what is had of all of it, such as its files, is had by that
     * alone, and not by a time of it that is open.
     *
     * @throws ModelNotFoundException
     * @throws AccessDeniedHttpException
     */
    public function full(int $id, Perspective $perspective): EventRecord
    {
        $head = $this->partly($id, $perspective);
        $this->demandFull($this->asSuch($head, $perspective));

        return $head;
    }

    /**
     * One time of a series, by its name.
     *
     * @throws ModelNotFoundException where there is none of that name
     */
    public function time(Series $series, string $name): Occurrence
    {
        try {
            $found = $series->find(RecurrenceId::parse($name));
        } catch (InvalidTime) {
            $found = null;
        }

        return $found ?? throw (new ModelNotFoundException)->setModel(EventRecord::class);
    }

    public function isFull(EventRecord $head, Event $event, Perspective $perspective): bool
    {
        return $this->visibility($head, $event, $perspective) === Visibility::Full;
    }

    /** How much is seen of a series as such, whatever is seen of single times of it. */
    public function asSuch(EventRecord $head, Perspective $perspective): Visibility
    {
        return $this->visibility($head, $this->load($head)->events()[0], $perspective);
    }

    /** How much whoever pins or joins a series may see of it as such, by its own calendar. */
    public function pinnerSees(int $id, ?int $personId, bool $joined): Visibility
    {
        $head = $this->find($id);

        return $this->pinnerSeesOf($head, $this->load($head)->events()[0], $personId, $joined);
    }

    private function pinnerSeesOf(EventRecord $head, Event $event, ?int $personId, bool $joined): Visibility
    {
        return $this->pinners->sees(
            $head->calendar_id, $personId, $event->contents->private, $event->contents->busy, $head->created_by,
            static fn (): array => self::parties($event), $joined,
        );
    }

    /** @return list<?Party> of those who take part */
    private static function parties(Event $event): array
    {
        return array_map(static fn (Participant $each): ?Party => $each->party, $event->participants);
    }

    private function find(int $id): EventRecord
    {
        return EventRecord::query()->whereNull('series_id')->with(EventRecord::WHOLE)->findOrFail($id);
    }

    /**
     * @throws ModelNotFoundException
     * @throws AccessDeniedHttpException
     */
    public function demandFull(Visibility $visibility): void
    {
        match ($visibility) {
            Visibility::Hidden => throw (new ModelNotFoundException)->setModel(EventRecord::class),
            Visibility::BusyOnly => throw new AccessDeniedHttpException('You see that the time is taken, not what for.'),
            Visibility::Full => null,
        };
    }

    /** Whether somebody may change an event: by its own calendar, never by one that it is pinned to; or as one who is asked, where it lets them. */
    public function mayChange(EventRecord $head, Perspective $perspective): bool
    {
        return $this->mayChangeByCalendar($head, $perspective) || $this->mayAsGuest(GuestRight::Change, $head, $perspective);
    }

    /** Whether somebody who is asked to an event may do more with it, as it stands. What comes from elsewhere gives nothing. */
    public function mayAsGuest(GuestRight $right, EventRecord $head, Perspective $perspective): bool
    {
        $event = $perspective->readOnly || $perspective->viewer->personId === null ? null : $this->load($head)->events()[0];
        if ($event === null || ! $right->isGivenBy($event) || ! Involvement::of($perspective->viewer, null, self::parties($event), []) || $this->asSuch($head, $perspective) !== Visibility::Full) {
            return false;
        }
        $calendar = $head->loadMissing('calendar.source')->calendar;

        return $calendar !== null && ! $calendar->isSubscribed() && ! $calendar->isArchived();
    }

    /** Whether its calendar lets somebody change an event, delete it and put it elsewhere. */
    public function mayChangeByCalendar(EventRecord $head, Perspective $perspective): bool
    {
        return ! $perspective->readOnly && EventRights::mayChange($perspective->eventLevel($head->calendar_id), $perspective->viewer->isAuthor($head->created_by));
    }

    /**
     * @throws ModelNotFoundException where they see nothing of it
     * @throws AccessDeniedHttpException where they may not change it
     */
    public function demandChange(EventRecord $head, Perspective $perspective): void
    {
        if (! $this->mayAsGuest(GuestRight::Change, $head, $perspective)) {
            $this->demandChangeByCalendar($head, $perspective);
        }
    }

    /**
     * @throws ModelNotFoundException where they see nothing of it
     * @throws AccessDeniedHttpException where its calendar does not let them change it
     */
    public function demandChangeByCalendar(EventRecord $head, Perspective $perspective): void
    {
        if ($this->mayChangeByCalendar($head, $perspective)) {
            return;
        }
        // What is hidden from the viewer is told of as though it were not there.
        if ($this->asSuch($head, $perspective) === Visibility::Hidden) {
            throw (new ModelNotFoundException)->setModel(EventRecord::class);
        }
        $calendar = $perspective->calendars[$head->calendar_id] ?? null;
        throw new AccessDeniedHttpException(match (true) {
            $this->mayAsGuest(GuestRight::Change, $head, $perspective) => 'Who is asked may change this event, not delete it or put it elsewhere.',
            $calendar === null => 'This event is pinned here; it is changed on its own calendar.',
            $calendar->calendar->isSubscribed() && $calendar->level()->includes(Level::See) => 'This event comes from outside and is changed there.',
            default => 'You may look at this event, not change it.',
        });
    }
}
