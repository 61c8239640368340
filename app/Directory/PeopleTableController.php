<?php

namespace App\Directory;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Directory\PeopleTable;
use PinnedRota\Core\Directory\PeopleVerdict;
use PinnedRota\Core\Directory\PersonRow;
use PinnedRota\Core\Directory\PlannedPerson;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Brings people in from a table: looked at first, then applied as it was looked at. */
#[OA\Schema(schema: 'PeopleTableInput', required: ['text'], properties: [
    new OA\Property(property: 'text', type: 'string'),
    new OA\Property(property: 'apply', type: 'string', nullable: true, description: 'The digest of the plan that was looked at'),
    new OA\Property(property: 'invite', type: 'boolean'),
])]
final class PeopleTableController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Newcomers $newcomers, private readonly GroupMembers $members, private readonly PersonChanges $changes)
    {
    }

    #[OA\Post(path: '/people/table', operationId: 'importPeople', summary: 'What a table of people would add and change, line by line; with “apply” does it. For administrators.', tags: ['directory'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PeopleTableInput')),
        responses: [new Answers(PeoplePlanData::class, 'The plan')])]
    public function store(Request $request): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $input = $request->validate([
            'text' => ['required', 'string', 'max:2000000'],
            'apply' => ['sometimes', 'nullable', 'string', 'size:64'],
            'invite' => ['sometimes', 'boolean'],
        ], ['text.required' => 'There is nothing in this table.']);

        return new JsonResponse(DB::transaction(function () use ($input): PeoplePlanData {
            $people = Person::query()->with('groups')->lockForUpdate()->get()->keyBy(fn (Person $person): string => mb_strtolower($person->email));
            $known = $people->map(fn (Person $person): PersonRow => new PersonRow($person->name, mb_strtolower($person->email), $person->post, $person->timezone, $person->groups->pluck('name')->all()))->all();
            $groups = Group::query()->pluck('id', 'name')->all();
            $plan = PeopleTable::plan($input['text'], $known, array_map(strval(...), array_keys($groups)));
            $digest = hash('sha256', serialize($plan));
            if (isset($input['apply'])) {
                if ($input['apply'] !== $digest) {
                    throw new ConflictHttpException('People were changed since you looked at this table. Look at it again.');
                }
                foreach ($plan as $planned) {
                    $this->apply($planned, $people->get($planned->row->address ?? ''), $groups, (bool) ($input['invite'] ?? false));
                }
            }

            return new PeoplePlanData($digest, isset($input['apply']), array_map(static fn (PlannedPerson $each): PeopleRowData => new PeopleRowData(
                $each->line, $each->verdict, $each->notes, $each->row->name ?? '', $each->row->address ?? '', $each->row->post ?? '', $each->row->groups ?? [],
            ), $plan));
        }));
    }

    /** @param  array<string, int>  $groups  ids by name */
    private function apply(PlannedPerson $planned, ?Person $person, array $groups, bool $invite): void
    {
        $row = $planned->row;
        if ($row === null || ! in_array($planned->verdict, [PeopleVerdict::New, PeopleVerdict::Changed], true)) {
            return;
        }
        $by = $this->viewer->person();
        $columns = array_filter(['name' => $row->name, 'post' => $row->post, 'timezone' => $row->timezone], static fn (string $value): bool => $value !== '');
        $ids = array_map(static fn (string $name): int => $groups[$name], $row->groups);
        if ($person === null) {
            $person = $this->newcomers->add($columns + ['email' => $row->address], $ids, $by);
            if ($invite) {
                $this->newcomers->invite($person, $by);
            }

            return;
        }
        $this->changes->put($person, $columns, $by);
        foreach (Group::query()->whereKey($ids)->get() as $group) {
            $this->members->put($group, $person, true, $by);
        }
    }
}
