<?php

namespace App\ChangeLog;

use App\Access\Sharing;
use App\Calendars\Calendar;
use App\Calendars\CalendarChanges;
use App\Directory\Group;
use App\Directory\GroupChanges;
use App\Directory\GroupMembers;
use App\Directory\Person;
use App\Directory\Subjects;
use App\Organisation\Organisation;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use Spatie\Activitylog\Models\Activity;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Takes changes back by making the opposite change, by the same rules and written to the log like any other. */
final class LogReversal
{
    public function __construct(private readonly Sharing $sharing, private readonly CalendarChanges $changes, private readonly GroupMembers $members, private readonly GroupChanges $groups, private readonly Organisation $organisation)
    {
    }

    public function ofCalendar(Calendar $calendar, Activity $entry, Person $by): void
    {
        $told = $entry->properties;
        match ($entry->event) {
            'access' => $this->sharing->give($calendar, $this->stillThere(LogEntry::subject($told['subject'])), Level::from($told['before']), $by, why: 'reverted'),
            'keeper' => $this->changes->handOver($calendar, Subjects::find($told['before']['kind'], (int) $told['before']['id']), $by, Level::None),
            'settings' => DB::transaction(function () use ($calendar, $told, $by): void {
                $locked = Calendar::query()->lockForUpdate()->findOrFail($calendar->id);
                $this->changes->settings($locked, array_intersect_key($told['before'], array_flip(CalendarChanges::SETTINGS)), $by);
            }),
            default => $this->changes->archive($calendar, $entry->event === 'brought back', $by),
        };
    }

    public function ofOrganisation(Activity $entry, Person $by): void
    {
        $told = $entry->properties;
        match ($entry->event) {
            'organisation' => $this->organisation->put($told['before'], $by),
            'member' => $this->members->put(
                Group::query()->findOrFail($entry->subject_id),
                $told['kind'] === 'person' ? Person::query()->findOrFail($told['id']) : Group::query()->findOrFail($told['id']),
                ! $told['within'],
                $by,
            ),
            default => match (true) {
                $told['after'] === null => $this->groups->restore((int) $entry->subject_id, $told['before'], $told['had'], $by),
                $told['before'] === null => $this->groups->delete(Group::query()->findOrFail($entry->subject_id), $by),
                default => $this->groups->rename(Group::query()->findOrFail($entry->subject_id), $told['before'], $by),
            },
        };
    }

    /** @throws ConflictHttpException of a group that was deleted since, which nothing can be shared with */
    private function stillThere(Subject $subject): Subject
    {
        if ($subject->kind === SubjectKind::Group && Group::query()->find($subject->id) === null) {
            throw new ConflictHttpException('This group is no longer there. It can be brought back from the log of people and groups.');
        }

        return $subject;
    }
}
