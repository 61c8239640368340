<?php

namespace App\ChangeLog;

use App\Calendars\Calendar;
use App\Directory\Group;
use App\Directory\Person;
use App\Overlays\Overlay;
use App\Publishing\Publication;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use Spatie\Activitylog\Models\Activity;

/** Writes who changed what of access and settings, with what it was before. Call it inside the transaction of the change. */
final class ChangeLog
{
    public static function access(Calendar $calendar, Person $by, Subject $subject, Level $before, Level $after, string $why = ''): void
    {
        self::write('calendar', $calendar, $by, 'access', [
            'subject' => ['kind' => $subject->kind->value, 'id' => $subject->id], 'before' => $before->value, 'after' => $after->value, 'why' => $why,
        ]);
    }

    /**
     * @param  array<string, mixed>  $before  columns that change, as they were
     * @param  array<string, mixed>  $after
     */
    public static function settings(Calendar $calendar, Person $by, array $before, array $after): void
    {
        if ($before !== $after) {
            self::write('calendar', $calendar, $by, 'settings', ['before' => $before, 'after' => $after]);
        }
    }

    public static function keeper(Calendar $calendar, Person $by, Subject $before, Subject $after): void
    {
        self::write('calendar', $calendar, $by, 'keeper', [
            'before' => ['kind' => $before->kind->value, 'id' => $before->id], 'after' => ['kind' => $after->kind->value, 'id' => $after->id],
        ]);
    }

    /** @param  'made'|'archived'|'brought back'|'deleted'|'restored'  $event */
    public static function calendar(Calendar $calendar, Person $by, string $event): void
    {
        self::write('calendar', $calendar, $by, $event, []);
    }

    public static function member(Group $group, Person $by, Person|Group $member, bool $within): void
    {
        self::write('organisation', $group, $by, 'member', [
            'group' => $group->name, 'kind' => $member instanceof Person ? 'person' : 'group', 'id' => $member->id, 'name' => $member->name, 'within' => $within,
        ]);
    }

    /**
     * A group made (no name before), renamed, or deleted (none after).
     *
     * @param  array<string, mixed>  $had  what a deleted one had, to bring it back by
     */
    public static function group(Group $group, Person $by, ?string $before, ?string $after, array $had = []): void
    {
        self::write('organisation', $group, $by, 'group', ['before' => $before, 'after' => $after, 'had' => $had]);
    }

    /** A secret link made or revoked. */
    public static function feed(Calendar $calendar, Person $by, string $name, bool $made): void
    {
        self::write('calendar', $calendar, $by, 'feed', ['name' => $name, 'made' => $made]);
    }

    /** All of a source pinned to a calendar, or taken off it. */
    public static function sourcePin(Calendar $calendar, Person $by, string $source, bool $made): void
    {
        self::write('calendar', $calendar, $by, 'source pin', ['name' => $source, 'made' => $made]);
    }

    /**
     * Where a source is, how it is fetched and what of it is taken.
     *
     * @param  array<string, mixed>  $before  what is another, as it was, see SourceSettings
     * @param  array<string, mixed>  $after
     */
    public static function source(Calendar $calendar, Person $by, array $before, array $after): void
    {
        if ($before !== []) {
            self::write('calendar', $calendar, $by, 'source', ['before' => $before, 'after' => $after]);
        }
    }

    /** What was done with what is given of a calendar to whoever has no account; overlays have no log yet. */
    public static function publication(Publication $publication, Person $by, string $done): void
    {
        if ($publication->calendar !== null) {
            self::write('calendar', $publication->calendar, $by, 'publication', ['name' => $publication->name, 'done' => $done]);
        }
    }

    /**
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>  $after
     */
    public static function person(Person $person, Person $by, array $before, array $after): void
    {
        if ($before !== $after) {
            self::write('organisation', $person, $by, 'person', ['name' => $person->name, 'before' => $before, 'after' => $after]);
        }
    }

    /** A link to set somebody’s password was made for somebody else to hand over. */
    public static function link(Person $person, Person $by): void
    {
        self::write('organisation', $person, $by, 'link', ['name' => $person->name]);
    }

    /**
     * What the organisation decides.
     *
     * @param  array<string, mixed>  $before  by name, as it was decided
     * @param  array<string, mixed>  $after
     */
    public static function organisation(Person $by, array $before, array $after): void
    {
        self::write('organisation', $by, $by, 'organisation', ['before' => $before, 'after' => $after]);
    }

    public static function overlay(Overlay $overlay, Person $by, Subject $subject, Level $before, Level $after): void
    {
        if ($before !== $after) {
            self::write('overlay', $overlay, $by, 'access', ['subject' => ['kind' => $subject->kind->value, 'id' => $subject->id], 'before' => $before->value, 'after' => $after->value, 'why' => '']);
        }
    }

    public static function overlayKeeper(Overlay $overlay, Person $by, Subject $before, Subject $after): void
    {
        self::write('overlay', $overlay, $by, 'keeper', [
            'before' => ['kind' => $before->kind->value, 'id' => $before->id], 'after' => ['kind' => $after->kind->value, 'id' => $after->id],
        ]);
    }

    /**
     * @param  'signed in'|'failed to sign in'|'looked as'  $event
     * @param  array<string, string>  $properties
     */
    public static function signIn(Person $person, string $event, array $properties): void
    {
        self::write('sign-ins', $person, $person, $event, $properties);
    }

    /** @param  array<string, mixed>  $properties */
    private static function write(string $log, Calendar|Group|Overlay|Person $subject, Person $by, string $event, array $properties): void
    {
        Activity::query()->create([
            'log_name' => $log, 'description' => '', 'event' => $event,
            'subject_type' => $subject->getMorphClass(), 'subject_id' => $subject->getKey(),
            'causer_type' => $by->getMorphClass(), 'causer_id' => $by->getKey(),
            'properties' => $properties,
        ]);
    }
}
