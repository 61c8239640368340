<?php

namespace App\Access;

use App\Api\Answers;
use App\Directory\Group;
use App\Directory\Person;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

/** What people can see of a calendar, and why. */
final class ReasonsController
{
    private const MOST = 40;

    public function __construct(private readonly CurrentViewer $viewer, private readonly AccessReader $reader)
    {
    }

    #[OA\Get(path: '/calendars/{slug}/people', operationId: 'listReach', summary: 'Which level each person has on a calendar, and by what; for those who manage it.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'q', required: false, description: 'Words in name, post or address', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'person', required: false, description: 'One person alone', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(ReachOfPeopleData::class, 'By name, at most 40')])]
    public function people(Request $request, string $slug, ReasonWords $words): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        $input = $request->validate(['q' => ['sometimes', 'nullable', 'string', 'max:200'], 'person' => ['sometimes', 'nullable', 'integer']]);
        $people = Person::searched((string) ($input['q'] ?? ''))->where('status', 'active');
        if (isset($input['person'])) {
            $people->whereKey($input['person']);
        }
        $total = $people->count();
        $found = $people->with('groups:id')->orderBy('name')->orderBy('id')->limit(self::MOST)->get();

        $decisions = $this->reader->decisions($calendar, $found);

        return new JsonResponse(new ReachOfPeopleData($total, $found->map(function (Person $person) use ($decisions, $words): PersonReachedData {
            $decision = $decisions[$person->id];

            return new PersonReachedData($person->id, $person->name, $person->post, $decision->level, $words->of($person, $person->groups->map(fn (Group $group): int => $group->id)->all(), $decision));
        })->all()));
    }

    #[OA\Get(path: '/calendars/{slug}/managers', operationId: 'listManagers', summary: 'Whom to ask about a calendar: the people who manage it.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(ManagersData::class, 'Names')])]
    public function managers(string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::BusyTimes)->calendar;
        $managers = $this->reader->roster()->managers($calendar->keeper(), $this->reader->grants($calendar));
        $request = AccessRequest::query()->where('calendar_id', $calendar->id)->where('person_id', $this->viewer->person()->id)->whereNull('decided_at')->first();

        return new JsonResponse(new ManagersData(
            names: Person::query()->whereKey($managers)->orderBy('name')->limit(8)->pluck('name')->all(),
            asked: $request?->level,
            leaves: GrantRecord::query()->where(['on_kind' => 'calendar', 'on_id' => $calendar->id, 'subject_kind' => SubjectKind::Person->value, 'subject_id' => $this->viewer->person()->id])->exists(),
        ));
    }
}
