<?php

namespace App\Access;

use App\Api\Answers;
use App\Directory\Group;
use App\Directory\NamedPersonData;
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

    private const MOST_ASKED = 200;

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

    #[OA\Get(path: '/calendars/{slug}/unseeing', operationId: 'listUnseeing', summary: 'Which of some people do not see the events of a calendar, so that they see of it what they are asked to, and nothing else; for those who may add events.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'people[]', required: true, description: 'By id', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'integer'), maxItems: self::MOST_ASKED))],
        responses: [new Answers(NamedPersonData::class, 'By name', many: true)])]
    public function unseeing(Request $request, string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Add)->calendar;
        $ids = $request->validate(['people' => ['required', 'array', 'max:'.self::MOST_ASKED], 'people.*' => ['integer']])['people'];
        $people = Person::query()->whereKey($ids)->where('status', 'active')->with('groups:id')->orderBy('name')->orderBy('id')->get();
        $decisions = $this->reader->decisions($calendar, $people);

        return new JsonResponse($people->reject(static fn (Person $person): bool => $decisions[$person->id]->level->includes(Level::See))->map(static fn (Person $person): NamedPersonData => new NamedPersonData($person->id, $person->name))->values());
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
