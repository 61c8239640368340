<?php

namespace App\Access;

use App\Calendars\Calendar;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Directory\Person;
use App\Letters\Letter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

/** Gives levels on calendars and takes them away: written to the change log, and told to those who gain by it. */
final class Sharing
{
    public function __construct(private readonly Stewardship $stewardship, private readonly AccessReader $reader, private readonly Audience $audience)
    {
    }

    /**
     * Gives a level to a person, a group, everyone or the public; Level::None takes it away.
     *
     * @param  bool  $letter  whether people who come to see more of it are told by mail, too
     * @param  string  $why  a word for the change log where it was not simply given
     */
    public function give(Calendar $calendar, Subject $to, Level $level, Person $by, bool $letter = false, string $why = ''): void
    {
        DB::transaction(function () use ($calendar, $to, $level, $by, $letter, $why): void {
            Calendar::withTrashed()->lockForUpdate()->findOrFail($calendar->id);
            $key = ['on_kind' => 'calendar', 'on_id' => $calendar->id, 'subject_kind' => $to->kind->value, 'subject_id' => $to->id ?? 0];
            $before = GrantRecord::query()->where($key)->first()->level ?? Level::None;
            if ($before === $level) {
                return;
            }
            $gainers = $level->rank() > $before->rank() ? $this->newcomers($calendar, $to, $by) : [];
            if ($level === Level::None) {
                GrantRecord::query()->where($key)->delete();
            } else {
                GrantRecord::query()->updateOrCreate($key, ['level' => $level, 'given_by' => $by->id]);
            }
            if ($before === Level::Manage) {
                $this->stewardship->demand($calendar);
            }
            ChangeLog::access($calendar, $by, $to, $before, $level, $why);
            Change::ofAccess($this->audience->withManagers($calendar, $to));
            $this->invite($calendar, $gainers, $level, $by, $letter);
        });
    }

    /** Takes a calendar off one's own list and, where it was shared with oneself by name, gives that back. */
    public function leave(Calendar $calendar, Person $person, string $why): void
    {
        DB::transaction(function () use ($calendar, $person, $why): void {
            $this->give($calendar, new Subject(SubjectKind::Person, $person->id), Level::None, $person, why: $why);
            $this->choose($calendar, $person, false);
        });
    }

    /** Whether a person wants a calendar on their own list. */
    public function choose(Calendar $calendar, Person $person, bool $chosen): void
    {
        DB::table('calendar_choices')->upsert(['person_id' => $person->id, 'calendar_id' => $calendar->id, 'chosen' => $chosen], ['person_id', 'calendar_id'], ['chosen']);
        Change::ofAccess([$person->id]);
    }

    /** How a person sees a calendar; null is as it has been given. */
    public function look(Calendar $calendar, Person $person, ?Colour $colour, ?Mark $mark): void
    {
        DB::table('calendar_choices')->upsert(['person_id' => $person->id, 'calendar_id' => $calendar->id, 'colour' => $colour?->value, 'mark' => $mark?->value], ['person_id', 'calendar_id'], ['colour', 'mark']);
        Change::ofAccess([$person->id]);
    }

    /** @return list<int> the people for whom a named person or group stands, who could not read the calendar so far */
    private function newcomers(Calendar $calendar, Subject $to, Person $by): array
    {
        if ($to->id === null) {
            return [];
        }
        if ($to->kind === SubjectKind::Person) {
            $person = Person::query()->with('groups:id')->findOrFail($to->id);

            return $person->is($by) || $this->reader->decisions($calendar, [$person])[$person->id]->level->includes(Level::See) ? [] : [$person->id];
        }
        $roster = $this->reader->roster();
        $readers = $roster->atLeast(Level::See, $calendar->keeper(), $this->reader->grants($calendar));

        return array_values(array_diff($roster->people($to), $readers, [$by->id]));
    }

    /** @param  list<int>  $people */
    private function invite(Calendar $calendar, array $people, Level $level, Person $by, bool $letter): void
    {
        foreach ($people as $id) {
            Invitation::query()->updateOrCreate(
                ['calendar_id' => $calendar->id, 'person_id' => $id],
                ['level' => $level, 'given_by' => $by->id, 'answered_at' => null, 'accepted' => null],
            );
        }
        foreach ($letter && $people !== [] ? Person::query()->whereKey($people)->get() : [] as $person) {
            Mail::to($person)->queue(new Letter(
                $person, "{$by->name} shares “{$calendar->name}” with you",
                ["{$by->name} shares the calendar “{$calendar->name}” with you.", "You can {$level->means()}."],
                "Open “{$calendar->name}”", "/?calendar={$calendar->slug}",
            ));
        }
    }
}
