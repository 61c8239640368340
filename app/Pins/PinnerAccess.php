<?php

namespace App\Pins;

use App\Access\AccessReader;
use App\Calendars\Calendar;
use App\Directory\Person;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Involvement;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Party;

/**
 * What whoever pinned an event may see of it now, by its own calendar: nobody sees more of it by their pin. Where the
 * calendar is gone, or they are, that is nothing.
 */
final class PinnerAccess
{
    /** @var array<int, ?Calendar> by id; null where there is none any more */
    private array $calendars = [];

    /** @var array<int, ?Person> with their groups, by id */
    private array $people = [];

    /** @var array<string, Decision> by calendar and person */
    private array $decisions = [];

    public function __construct(private readonly AccessReader $access)
    {
    }

    /**
     * Reads at once what is asked one by one after it.
     *
     * @param  list<array{int, ?int}>  $pins  the own calendar of each event, and the id of who pinned it
     */
    public function prepare(array $pins): void
    {
        $calendars = array_diff(array_column($pins, 0), array_keys($this->calendars));
        $people = array_diff(array_filter(array_column($pins, 1)), array_keys($this->people));
        if ($calendars !== []) {
            $this->calendars += Calendar::query()->with('source')->whereKey($calendars)->get()->keyBy('id')->all() + array_fill_keys($calendars, null);
        }
        if ($people !== []) {
            $this->people += Person::query()->with('groups:id')->whereKey($people)->get()->keyBy('id')->all() + array_fill_keys($people, null);
        }
        $asked = [];
        foreach ($pins as [$calendarId, $personId]) {
            $person = $this->people[$personId ?? 0] ?? null;
            if (($this->calendars[$calendarId] ?? null) !== null && $person !== null && ! isset($this->decisions["{$calendarId} {$personId}"])) {
                $asked[$calendarId][$person->id] = $person;
            }
        }
        foreach ($asked as $calendarId => $some) {
            foreach ($this->access->decisions($this->calendars[$calendarId], $some) as $personId => $decision) {
                $this->decisions["{$calendarId} {$personId}"] = $decision;
            }
        }
    }

    /** The level that holds for the events of a calendar. */
    public function level(int $calendarId, ?int $personId): Level
    {
        $this->prepare([[$calendarId, $personId]]);
        $calendar = $this->calendars[$calendarId] ?? null;
        $decision = $this->decisions["{$calendarId} {$personId}"] ?? null;

        return $calendar === null || $decision === null ? Level::None : EventRights::level($decision->level, $calendar->isSubscribed(), $calendar->isArchived());
    }

    /** Whether a calendar comes from outside; false where it is gone. */
    public function isSubscribed(int $calendarId): bool
    {
        // Asked of each occurrence of a window, whose calendars are known by then.
        if (! array_key_exists($calendarId, $this->calendars)) {
            $this->prepare([[$calendarId, null]]);
        }

        return $this->calendars[$calendarId]?->isSubscribed() === true;
    }

    /** What is seen of an event that is there because its person is asked: they see it where they are, and nobody else does. */
    public static function askedSees(?int $personId, Viewer $viewer, bool $isAsked): Visibility
    {
        return $isAsked && $personId !== null && $personId === $viewer->personId ? Visibility::Full : Visibility::Hidden;
    }

    /**
     * @param  int  $calendarId  the event’s own
     * @param  ?int  $author  id of the person who added it
     * @param  callable(): iterable<?Party>  $parties  those who take part, asked of private events alone
     * @param  bool  $joined  whether whoever pinned it has joined it
     */
    public function sees(int $calendarId, ?int $personId, bool $private, bool $busy, ?int $author, callable $parties, bool $joined): Visibility
    {
        $level = $this->level($calendarId, $personId);
        $person = $this->people[$personId ?? 0] ?? null;
        $isInvolved = $private && $person !== null && $level !== Level::None
            && Involvement::of(new Viewer($person->id, $this->access->viewer($person)->groupIds), $author, $parties(), $joined ? [$person->id] : []);

        return Visibility::of($level, $private, $busy, $isInvolved);
    }
}
