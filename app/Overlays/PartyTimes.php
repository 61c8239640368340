<?php

namespace App\Overlays;

use App\Access\AccessReader;
use App\Access\Perspective;
use App\Calendars\Calendar;
use App\Directory\Person;
use App\Events\Read\SeenOccurrence;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\BusyTimesOfPeople;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\PartyKind;

/** What the people of a sheet take part in, or what is on in its room. */
final readonly class PartyTimes
{
    /** What stands for a room, which has no people. */
    private const ROOM = 0;

    /**
     * @param  array<int, array<int, true>>  $byEvent  who takes part, by event
     * @param  array<int, array<int, true>>  $bySeries  who has joined, by series
     * @param  array<int, int>  $byCalendar  whose own it is, by calendar
     * @param  array<int, true>  $told  of whom the viewer is told that they are busy: of themselves always
     */
    private function __construct(private array $byEvent, private array $bySeries, private array $byCalendar, private array $told)
    {
    }

    public static function of(SheetParty $party, Perspective $perspective, AccessReader $access): self
    {
        if ($party->kind === PartyKind::Room) {
            $events = DB::table('event_participants')->where('room_id', $party->id)->pluck('event_id')->all();

            return new self(array_fill_keys($events, [self::ROOM => true]), [], [], [self::ROOM => true]);
        }
        $ids = array_keys($party->people);
        $viewers = $access->viewers(Person::query()->with('groups')->whereKey($ids)->get());
        $byGroup = $byEvent = $bySeries = [];
        foreach ($viewers as $id => $viewer) {
            foreach ($viewer->groupIds as $group) {
                $byGroup[$group][$id] = true;
            }
        }
        $rows = DB::table('event_participants')->where('organizer', false)->where('role', '!=', ParticipantRole::Informed->value)->where('answer', '!=', ParticipantAnswer::Declined->value)
            ->where(static fn ($who) => $who->whereIntegerInRaw('person_id', $ids)->orWhereIntegerInRaw('group_id', array_keys($byGroup)))->get(['event_id', 'person_id', 'group_id']);
        foreach ($rows as $row) {
            $byEvent[$row->event_id] = ($byEvent[$row->event_id] ?? []) + ($row->person_id === null ? $byGroup[$row->group_id] : [$row->person_id => true]);
        }
        foreach (DB::table('event_pins')->where('joined', true)->whereIntegerInRaw('pinned_by', $ids)->get(['event_id', 'pinned_by']) as $pin) {
            $bySeries[$pin->event_id][$pin->pinned_by] = true;
        }
        $keepsCommon = $perspective->viewer->personId !== null && Person::query()->findOrFail($perspective->viewer->personId)->role->keepsCommon();
        $told = array_filter($viewers, static fn (Viewer $viewer): bool => BusyTimesOfPeople::areTold($perspective->viewer, $viewer, $keepsCommon));

        return new self($byEvent, $bySeries, Calendar::query()->whereIn('own_of', $ids)->pluck('own_of', 'id')->all(), array_fill_keys([...array_keys($told), (int) $perspective->viewer->personId], true));
    }

    /** @return list<int> heads */
    public function seriesIds(): array
    {
        $heads = DB::table('events')->whereNull('deleted_at')->where(fn ($of) => $of->whereIntegerInRaw('id', array_keys($this->byEvent))->orWhereIntegerInRaw('calendar_id', array_keys($this->byCalendar)))
            ->selectRaw('COALESCE(series_id, id) AS head')->distinct()->pluck('head')->all();

        return array_values(array_unique([...$heads, ...array_keys($this->bySeries)]));
    }

    /**
     * Whose time it takes, as far as the viewer is told: of what is only busy to them, and of what they are only asked to, of those alone of whom they are told that.
     *
     * @return list<int> people, by id; of a room one number that stands for it
     */
    public function takenOf(SeenOccurrence $seen): array
    {
        $occurrence = $seen->occurrence;
        $own = $this->byCalendar[$occurrence->calendarId] ?? null;
        $all = ($this->byEvent[$occurrence->eventId] ?? []) + ($this->bySeries[$occurrence->seriesId] ?? []) + ($own === null ? [] : [$own => true]);

        return array_keys($seen->isFull && ! $seen->isOnlyAsked ? $all : array_intersect_key($all, $this->told));
    }
}
