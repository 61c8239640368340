<?php

namespace App\Calendars;

use App\Access\Audience;
use App\Access\GrantRecord;
use App\Access\Sharing;
use App\Access\Stewardship;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Directory\Person;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;

/** What is changed of a calendar itself: its settings, its keeper, whether it is archived. Written to the change log. */
final class CalendarChanges
{
    public const SETTINGS = ['name', 'description', 'colour', 'mark', 'timezone', 'first_day', 'opening_view', 'free_categories', 'offered', 'suggested_pace'];

    public function __construct(private readonly Stewardship $stewardship, private readonly Sharing $sharing, private readonly Audience $audience)
    {
    }

    /** @param  array<string, mixed>  $settings  columns of SETTINGS */
    public function settings(Calendar $calendar, array $settings, Person $by): void
    {
        DB::transaction(function () use ($calendar, $settings, $by): void {
            $before = $calendar->only(array_keys($settings));
            $calendar->fill($settings);
            $after = $calendar->only(array_keys($settings));
            $changed = array_keys(array_filter($after, static fn (mixed $value, string $name): bool => $value !== $before[$name], ARRAY_FILTER_USE_BOTH));
            $calendar->fill(['version' => $calendar->version + 1])->save();
            ChangeLog::settings($calendar, $by, array_intersect_key($before, array_flip($changed)), array_intersect_key($after, array_flip($changed)));
            Change::of($calendar->id);
            Change::ofAccess($this->audience->of($calendar));
        });
    }

    /** @param  Level  $stays  what the keeper until now goes on having, where they are a person or a group with no other way */
    public function handOver(Calendar $calendar, Subject $to, Person $by, Level $stays): void
    {
        DB::transaction(function () use ($calendar, $to, $by, $stays): void {
            Calendar::query()->lockForUpdate()->findOrFail($calendar->id);
            $from = $calendar->keeper();
            $calendar->update(['keeper_kind' => $to->kind, 'keeper_id' => $to->id, 'version' => $calendar->version + 1]);
            ChangeLog::keeper($calendar, $by, $from, $to);
            if ($stays !== Level::None && ($from->kind !== $to->kind || $from->id !== $to->id)) {
                $this->sharing->give($calendar, $from, $stays, $by, why: 'kept it before');
            }
            // The new keeper manages as such: what they were given before says no more.
            GrantRecord::query()->where(['on_kind' => 'calendar', 'on_id' => $calendar->id, 'subject_kind' => $to->kind->value, 'subject_id' => $to->id])->delete();
            $this->stewardship->demand($calendar);
            Change::ofAccess($this->audience->withManagers($calendar, $from, $to));
        });
    }

    public function archive(Calendar $calendar, bool $archived, Person $by): void
    {
        DB::transaction(function () use ($calendar, $archived, $by): void {
            $calendar->update(['archived_at' => $archived ? now() : null, 'version' => $calendar->version + 1]);
            ChangeLog::calendar($calendar, $by, $archived ? 'archived' : 'brought back');
            Change::of($calendar->id);
            Change::ofAccess($this->audience->of($calendar));
        });
    }
}
