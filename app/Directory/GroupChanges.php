<?php

namespace App\Directory;

use App\Access\Audience;
use App\Access\GrantRecord;
use App\Access\Stewardship;
use App\Calendars\Calendar;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Overlays\Overlay;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Makes groups, renames and deletes them, and brings deleted ones back with what was shared with them: each written to the change log. */
final class GroupChanges
{
    public function __construct(private readonly Stewardship $stewardship, private readonly GroupMembers $members, private readonly Audience $audience)
    {
    }

    public function make(string $name, Person $by): Group
    {
        return DB::transaction(function () use ($name, $by): Group {
            $group = Group::query()->create(['name' => $name]);
            ChangeLog::group($group, $by, null, $name);
            Change::ofLists();

            return $group;
        });
    }

    /** @throws ValidationException where another group has that name */
    public function rename(Group $group, string $name, Person $by): void
    {
        DB::transaction(function () use ($group, $name, $by): void {
            $before = Group::query()->lockForUpdate()->findOrFail($group->id)->name;
            if ($before !== $name) {
                $this->demandFree($name, $group->id);
                $group->update(['name' => $name]);
                ChangeLog::group($group, $by, $before, $name);
                Change::ofLists();
            }
        });
    }

    /** @throws ConflictHttpException where it keeps something, or something would be left with nobody who manages it */
    public function delete(Group $group, Person $by): void
    {
        $this->stewardship->guard(function () use ($group, $by): void {
            $group = Group::query()->lockForUpdate()->findOrFail($group->id);
            $this->demandNothingKept($group);
            $members = $this->audience->of(new Subject(SubjectKind::Group, $group->id));
            $grants = GrantRecord::query()->where($this->subjectKey($group->id))->get();
            ChangeLog::group($group, $by, $group->name, null, [
                'people' => $group->people()->pluck('people.id')->all(),
                'groups' => $group->groups()->pluck('groups.id')->all(),
                'within' => DB::table('group_group')->where('member_id', $group->id)->pluck('group_id')->all(),
                'grants' => $grants->map(static fn (GrantRecord $grant): array => ['on' => $grant->on_kind, 'id' => $grant->on_id, 'level' => $grant->level->value])->all(),
            ]);
            foreach ($grants as $grant) {
                $this->logGrant($group, self::shared($grant->on_kind, $grant->on_id), $by, $grant->level, Level::None, 'the group was deleted');
            }
            GrantRecord::query()->where($this->subjectKey($group->id))->delete();
            $group->delete();
            Change::ofAccess($members);
            Change::ofLists();
        });
    }

    /**
     * Brings a deleted group back under its own id, with whoever was in it and what was shared with it, as far as they are
     * still there.
     *
     * @param  array{people: list<int>, groups: list<int>, within: list<int>, grants: list<array{on: string, id: int, level: string}>}  $had
     *
     * @throws ConflictHttpException where it is there
     * @throws ValidationException where another group has its name, or a group would come to be in itself
     */
    public function restore(int $id, string $name, array $had, Person $by): void
    {
        DB::transaction(function () use ($id, $name, $had, $by): void {
            if (Group::query()->lockForUpdate()->find($id) !== null) {
                throw new ConflictHttpException("“{$name}” is there again.");
            }
            $this->demandFree($name, $id);
            $group = (new Group)->forceFill(['id' => $id, 'name' => $name]);
            $group->save();
            ChangeLog::group($group, $by, null, $name);
            $group->people()->attach(Person::query()->whereKey($had['people'])->pluck('id'));
            foreach (Group::query()->whereKey($had['groups'])->get() as $member) {
                $this->members->put($group, $member, true, $by);
            }
            foreach (Group::query()->whereKey($had['within'])->get() as $around) {
                $this->members->put($around, $group, true, $by);
            }
            foreach ($had['grants'] as $grant) {
                $this->giveBack($group, $grant['on'], $grant['id'], Level::from($grant['level']), $by);
            }
            Change::ofAccess($this->audience->of(new Subject(SubjectKind::Group, $group->id)));
            Change::ofLists();
        });
    }

    private function giveBack(Group $group, string $on, int $id, Level $level, Person $by): void
    {
        $shared = self::shared($on, $id);
        if ($shared !== null) {
            GrantRecord::query()->create($this->subjectKey($group->id) + ['on_kind' => $on, 'on_id' => $id, 'level' => $level, 'given_by' => $by->id]);
            $this->logGrant($group, $shared, $by, Level::None, $level, 'the group was brought back');
        }
    }

    private function logGrant(Group $group, Calendar|Overlay|null $shared, Person $by, Level $before, Level $after, string $why): void
    {
        if ($shared instanceof Calendar) {
            ChangeLog::access($shared, $by, new Subject(SubjectKind::Group, $group->id), $before, $after, $why);
        }
    }

    private static function shared(string $on, int $id): Calendar|Overlay|null
    {
        return $on === 'calendar' ? Calendar::withTrashed()->find($id) : Overlay::withTrashed()->find($id);
    }

    private function demandNothingKept(Group $group): void
    {
        $kept = fn (string $model): array => $model::query()->where('keeper_kind', SubjectKind::Group)->where('keeper_id', $group->id)->orderBy('name')->pluck('name')->all();
        $names = [...$kept(Calendar::class), ...$kept(Overlay::class)];
        if ($names !== []) {
            throw new ConflictHttpException("{$group->name} keeps ".implode(', ', array_slice($names, 0, 5)).(count($names) > 5 ? ' and '.(count($names) - 5).' more' : '').'. Hand over what it keeps first.');
        }
    }

    private function demandFree(string $name, int $id): void
    {
        if (Group::query()->where('name', $name)->whereKeyNot($id)->exists()) {
            throw ValidationException::withMessages(['name' => 'There is a group of this name.']);
        }
    }

    /** @return array{subject_kind: string, subject_id: int} */
    private function subjectKey(int $id): array
    {
        return ['subject_kind' => SubjectKind::Group->value, 'subject_id' => $id];
    }
}
