<?php

namespace App\Events\Read;

use App\Participants\ParticipantRecord;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Involvement;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Party;

/** Of the events of a window: who is responsible, and what the viewer has to do with them. */
final readonly class Participation
{
    /** Of whom an answer is wanted. */
    private const ASKED = [ParticipantRole::Required->value, ParticipantRole::Optional->value];

    /**
     * @param  array<int, list<string>>  $responsible  names, by event
     * @param  array<int, list<Party>>  $parties  the viewer, and groups that they are in, that take part, by event
     * @param  array<int, true>  $unanswered  the events to which the viewer is asked and has not answered
     * @param  array<int, list<int>>  $joined  the viewer where they have joined it, by series
     */
    private function __construct(private array $responsible, private array $parties, private array $unanswered, private array $joined)
    {
    }

    /** @param  list<IndexedOccurrence>  $found */
    public static function read(array $found, Viewer $viewer): self
    {
        $ids = [];
        foreach ($found as $each) {
            if ($each->hasParticipants) {
                $ids[$each->eventId] = $each->eventId;
            }
        }
        $rows = $ids === [] ? [] : DB::table('event_participants as p')->whereIntegerInRaw('p.event_id', $ids)->where('p.organizer', false)
            ->where(fn ($query) => $query->where('p.role', ParticipantRole::Responsible->value)->orWhere('p.person_id', $viewer->personId)->orWhereIntegerInRaw('p.group_id', $viewer->groupIds))
            ->leftJoin('people', 'people.id', '=', 'p.person_id')->leftJoin('groups', 'groups.id', '=', 'p.group_id')->orderBy('p.event_id')->orderBy('p.position')
            ->get(['p.event_id', 'p.person_id', 'p.group_id', 'p.role', 'p.answer', 'p.name', 'p.address', 'people.name as person', 'groups.name as group_name', 'p.member_of']);
        $responsible = $parties = $asked = $answered = [];
        foreach ($rows as $row) {
            $isResponsible = $row->role === ParticipantRole::Responsible->value;
            if ($isResponsible) {
                $responsible[$row->event_id][] = $row->person ?? $row->group_name ?? ($row->name !== '' ? $row->name : (string) preg_replace('/^mailto:/i', '', $row->address));
            }
            $party = ParticipantRecord::party($row->person_id, $row->group_id, null);
            if ($party !== null) {
                $parties[$row->event_id][] = $party;
            }
            // Of a group each answers for themselves; an answer of who is asked themselves, too, is one to both.
            if ($party !== null && Involvement::standsFor($party, $viewer)) {
                $isAnswered = $row->person_id !== null && ($row->answer !== ParticipantAnswer::Unanswered->value || ! in_array($row->role, self::ASKED, true));
                $isAnswered ? $answered[$row->event_id] = true : $asked[$row->event_id] = $asked[$row->event_id] ?? in_array($row->role, self::ASKED, true);
            }
        }
        $joined = $viewer->personId === null ? [] : DB::table('event_pins')->where('pinned_by', $viewer->personId)->where('joined', true)->pluck('event_id')->all();

        return new self($responsible, $parties, array_diff_key(array_filter($asked), $answered), array_fill_keys($joined, $viewer->personId === null ? [] : [$viewer->personId]));
    }

    /** @return list<Party> of those who take part, the ones that may be the viewer */
    public function parties(int $eventId): array
    {
        return $this->parties[$eventId] ?? [];
    }

    /** @return list<int> of those who have joined, the viewer */
    public function joined(int $seriesId): array
    {
        return $this->joined[$seriesId] ?? [];
    }

    public function isUnanswered(int $eventId): bool
    {
        return isset($this->unanswered[$eventId]);
    }

    /** @return list<string> names */
    public function responsible(int $eventId): array
    {
        return $this->responsible[$eventId] ?? [];
    }
}
