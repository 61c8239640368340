<?php

namespace App\Events\Read;

use App\Participants\ParticipantRecord;
use App\Pins\PinnerAccess;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Events\Party;

/** Who pinned the events of a window that show by a pin, and what these people may see of them now. */
final readonly class PinsOfWindow
{
    /**
     * @param  array<string, array{?int, bool, bool}>  $pins  who pinned it, whether they joined it by that, and whether it is there because they are asked, by series and calendar
     * @param  array<int, list<?Party>>  $parties  who takes part, by event; of those that are private
     */
    private function __construct(private array $pins, private array $parties, private PinnerAccess $pinners)
    {
    }

    /**
     * @param  list<IndexedOccurrence>  $found
     * @return ?self null where nothing shows by a pin
     */
    public static function read(array $found, PinnerAccess $pinners): ?self
    {
        $series = $private = $homes = [];
        foreach ($found as $each) {
            if ($each->isPinned()) {
                $series[$each->seriesId] = $each->seriesId;
                $homes["{$each->seriesId} {$each->calendarId}"] = $each->homeCalendarId;
                if ($each->private) {
                    $private[$each->eventId] = $each->eventId;
                }
            }
        }
        if ($series === []) {
            return null;
        }
        $pins = $asked = $parties = [];
        foreach (DB::table('event_pins')->whereIntegerInRaw('event_id', $series)->get(['event_id', 'calendar_id', 'pinned_by', 'joined', 'asked']) as $row) {
            $pins["{$row->event_id} {$row->calendar_id}"] = [$row->pinned_by, (bool) $row->joined, (bool) $row->asked];
            if (isset($homes["{$row->event_id} {$row->calendar_id}"])) {
                $asked[] = [$homes["{$row->event_id} {$row->calendar_id}"], $row->pinned_by];
            }
        }
        $pinners->prepare($asked);
        $rows = $private === [] ? [] : DB::table('event_participants')->whereIntegerInRaw('event_id', $private)->where('organizer', false)->get(['event_id', 'person_id', 'group_id']);
        foreach ($rows as $row) {
            $parties[$row->event_id][] = ParticipantRecord::party($row->person_id, $row->group_id, null);
        }

        return new self($pins, $parties, $pinners);
    }

    /** Whether it is pinned from a calendar that comes from outside. */
    public function isFromOutside(IndexedOccurrence $each): bool
    {
        return $this->pinners->isSubscribed($each->homeCalendarId);
    }

    /** Whether it shows where it does because somebody is asked to it, and by nothing else. */
    public function isByBeingAsked(IndexedOccurrence $each): bool
    {
        return ($this->pins["{$each->seriesId} {$each->calendarId}"] ?? [null, false, false])[2];
    }

    /** @param  bool  $isAsked  whether the viewer takes part in it, themselves or by a group */
    public function pinnerSees(IndexedOccurrence $each, Viewer $viewer, bool $isAsked): Visibility
    {
        $pin = $this->pins["{$each->seriesId} {$each->calendarId}"] ?? null;
        if ($pin !== null && $pin[2]) {
            return PinnerAccess::askedSees($pin[0], $viewer, $isAsked);
        }

        return $pin === null
            ? Visibility::Hidden
            : $this->pinners->sees($each->homeCalendarId, $pin[0], $each->private, $each->busy, $each->createdBy, fn (): array => $this->parties[$each->eventId] ?? [], $pin[1]);
    }
}
