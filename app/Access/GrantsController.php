<?php

namespace App\Access;

use App\Calendars\Calendar;
use App\Changes\Change;
use App\Directory\Group;
use App\Directory\Person;
use App\Directory\SubjectNames;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

final class GrantsController
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    #[OA\Get(path: '/calendars/{slug}/grants', operationId: 'listGrants', summary: 'Who has which level on a calendar; for those who manage it.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'The keeper and the grants', content: new OA\JsonContent(ref: '#/components/schemas/Sharing'))])]
    public function index(string $slug): JsonResponse
    {
        return new JsonResponse($this->sharing($this->viewer->calendar($slug, Level::Manage)->calendar));
    }

    #[OA\Put(path: '/calendars/{slug}/grants', operationId: 'putGrant', summary: 'Gives a level to a person, a group or everyone; “none” takes it away.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GrantInput')),
        responses: [new OA\Response(response: 200, description: 'The keeper and the grants', content: new OA\JsonContent(ref: '#/components/schemas/Sharing'))])]
    public function put(Request $request, string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        $input = $request->validate([
            'kind' => ['required', Rule::in(['person', 'group', 'everyone'])],
            'id' => ['required_unless:kind,everyone', 'nullable', 'integer'],
            'level' => ['required', Rule::enum(Level::class)],
        ]);
        $kind = SubjectKind::from($input['kind']);
        $id = $kind === SubjectKind::Everyone ? 0 : (int) $input['id'];
        match ($kind) {
            SubjectKind::Person => Person::query()->findOrFail($id),
            SubjectKind::Group => Group::query()->findOrFail($id),
            default => null,
        };
        $key = ['on_kind' => 'calendar', 'on_id' => $calendar->id, 'subject_kind' => $kind->value, 'subject_id' => $id];
        DB::transaction(function () use ($input, $key): void {
            if ($input['level'] === Level::None->value) {
                GrantRecord::query()->where($key)->delete();
            } else {
                GrantRecord::query()->updateOrCreate($key, ['level' => $input['level'], 'given_by' => $this->viewer->person()->id]);
            }
            Change::ofAccess();
        });

        return new JsonResponse($this->sharing($calendar));
    }

    /** @return array<string, mixed> */
    private function sharing(Calendar $calendar): array
    {
        $grants = GrantRecord::query()->where('on_kind', 'calendar')->where('on_id', $calendar->id)->get()->map->toGrant();
        $names = new SubjectNames([$calendar->keeper(), ...$grants->map(fn ($grant): Subject => $grant->subject)]);

        return [
            'keeper' => ['kind' => $calendar->keeper()->kind->value, 'id' => $calendar->keeper()->id, 'name' => $names->of($calendar->keeper())],
            'grants' => $grants->map(fn ($grant): array => [
                'kind' => $grant->subject->kind->value,
                'id' => $grant->subject->id,
                'name' => $names->of($grant->subject),
                'level' => $grant->level->value,
            ])->sortBy(fn (array $row): string => ($row['kind'] === 'everyone' ? '0' : '1').$row['name'])->values()->all(),
        ];
    }
}
