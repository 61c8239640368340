<?php

namespace App\ChangeLog;

use App\Access\Sharing;
use App\Calendars\Calendar;
use App\Calendars\CalendarChanges;
use App\Directory\Group;
use App\Directory\GroupMembers;
use App\Directory\Person;
use App\Directory\Subjects;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use Spatie\Activitylog\Models\Activity;

/** Takes changes back by making the opposite change, by the same rules and written to the log like any other. */
final class LogReversal
{
    public function __construct(private readonly Sharing $sharing, private readonly CalendarChanges $changes, private readonly GroupMembers $members)
    {
    }

    public function ofCalendar(Calendar $calendar, Activity $entry, Person $by): void
    {
        $told = $entry->properties;
        match ($entry->event) {
            'access' => $this->sharing->give($calendar, LogEntry::subject($told['subject']), Level::from($told['before']), $by, why: 'reverted'),
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
        $group = Group::query()->findOrFail($entry->subject_id);
        $member = $told['kind'] === 'person' ? Person::query()->findOrFail($told['id']) : Group::query()->findOrFail($told['id']);
        $this->members->put($group, $member, ! $told['within'], $by);
    }
}
