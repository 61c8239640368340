<?php

namespace App\Directory;

use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/** What people and groups are called, looked up once for many. */
final class SubjectNames
{
    /** @var array<string, string> */
    private array $names = [];

    /** @param  iterable<Subject>  $subjects */
    public function __construct(iterable $subjects)
    {
        $people = $groups = [];
        foreach ($subjects as $subject) {
            if ($subject->kind === SubjectKind::Person) {
                $people[] = $subject->id;
            } elseif ($subject->kind === SubjectKind::Group) {
                $groups[] = $subject->id;
            }
        }
        foreach ($people === [] ? [] : Person::query()->whereKey(array_unique($people))->pluck('name', 'id') as $id => $name) {
            $this->names["person:{$id}"] = $name;
        }
        foreach ($groups === [] ? [] : Group::query()->whereKey(array_unique($groups))->pluck('name', 'id') as $id => $name) {
            $this->names["group:{$id}"] = $name;
        }
    }

    public function of(Subject $subject): string
    {
        return match ($subject->kind) {
            SubjectKind::Everyone => 'Everyone in the organisation',
            SubjectKind::Public => 'The public',
            default => $this->names["{$subject->kind->value}:{$subject->id}"] ?? ($subject->kind === SubjectKind::Group ? 'A group that was deleted' : 'Somebody who has left'),
        };
    }
}
