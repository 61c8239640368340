<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Jobs\JobData;
use App\Jobs\JobKind;
use App\Jobs\Jobs;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

#[OA\Schema(schema: 'SourceInput', required: ['url', 'name', 'colour', 'mark'], properties: [
    new OA\Property(property: 'url', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'pinTo', description: 'A calendar to which all of it is pinned; it is on one’s own list there, and not by itself', type: 'string', nullable: true),
    new OA\Property(property: 'signIn', ref: '#/components/schemas/SignInInput'),
    new OA\Property(property: 'terms', ref: '#/components/schemas/SourceTermsInput'),
])]
#[OA\Schema(schema: 'AddressInput', required: ['url'], properties: [
    new OA\Property(property: 'url', type: 'string'),
    new OA\Property(property: 'signIn', ref: '#/components/schemas/SignInInput'),
    new OA\Property(property: 'terms', ref: '#/components/schemas/SourceTermsInput'),
])]
#[OA\Schema(schema: 'SourceChanges', properties: [
    new OA\Property(property: 'url', type: 'string'),
    new OA\Property(property: 'refreshMinutes', type: 'integer'),
    new OA\Property(property: 'signIn', ref: '#/components/schemas/SignInInput'),
    new OA\Property(property: 'terms', ref: '#/components/schemas/SourceTermsInput'),
])]
final class SourcesController
{
    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly ManagedSource $managed,
        private readonly Jobs $jobs,
        private readonly SourceInput $input,
        private readonly PinnableSource $pinnable,
    ) {
    }

    #[OA\Get(path: '/sources', operationId: 'listSources', summary: 'The sources on calendars one may see, with their last refreshes.', tags: ['sources'],
        responses: [new Answers(SourceData::class, 'By name', many: true)])]
    public function index(SourcePinsSeen $pins): JsonResponse
    {
        $ids = $this->viewer->calendars()->filter(fn ($each): bool => $each->calendar->isSubscribed())->keys();
        $newest = static fn ($refreshes) => $refreshes->orderByDesc('id')->limit(SourceData::HISTORY);
        $sources = Source::query()->whereIn('calendar_id', $ids)->with(['calendar', 'held', 'refreshes' => $newest])->get()
            ->sortBy(fn (Source $source): string => mb_strtolower($source->calendar->name))->values();

        $told = $pins->ofSources($sources);

        return new JsonResponse($sources->map(fn (Source $source): SourceData => SourceData::of($source, $this->manages($source), $told[$source->id])));
    }

    #[OA\Post(path: '/sources/look', operationId: 'lookAtSource', summary: 'Looks what is at an address, in the background: the job says what was found. Nothing is changed.', tags: ['sources'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AddressInput')),
        responses: [new Answers(JobData::class, 'It is being fetched', 202)])]
    public function look(Request $request): JsonResponse
    {
        return $this->fetching($request, JobKind::Look, []);
    }

    #[OA\Post(path: '/sources', operationId: 'createSource', summary: 'Subscribes to an outside address. It is fetched in the background: whether there is a calendar, the job says.', tags: ['sources'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/SourceInput')),
        responses: [new Answers(JobData::class, 'It is being fetched', 202)])]
    public function store(Request $request): JsonResponse
    {
        return $this->fetching($request, JobKind::Subscribe, [
            'name' => ['required', 'string', 'max:120'],
            'colour' => ['required', Rule::enum(Colour::class)],
            'mark' => ['required', Rule::enum(Mark::class)],
            'pinTo' => ['sometimes', 'nullable', 'string', 'max:80'],
        ]);
    }

    #[OA\Patch(path: '/sources/{id}', operationId: 'changeSource', summary: 'Changes where a source is, how often and how it is fetched, and what of it is taken; it is fetched anew.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/SourceChanges')),
        responses: [new Answers(JobData::class, 'It is being fetched', 202)])]
    public function update(Request $request, int $id): JsonResponse
    {
        $source = $this->managed->find($id);
        $input = $request->validate(['url' => ['sometimes', 'string', 'max:2000'], 'refreshMinutes' => ['sometimes', 'integer', 'min:15', 'max:10080']] + SourceInput::addressRules(), [
            'refreshMinutes.min' => 'At most every 15 minutes.', 'refreshMinutes.max' => 'At least once a week.',
        ]);
        DB::transaction(function () use ($source, $input, $request): void {
            $before = SourceSettings::of($source);
            if (isset($input['url'])) {
                $source->url = $this->input->address($input['url'])['url'];
            }
            if (isset($input['refreshMinutes'])) {
                $source->refresh_minutes = $input['refreshMinutes'];
            }
            if (isset($input['signIn'])) {
                $source->sign_in = $this->signIn($input['signIn'], $source);
            }
            if ($request->has('terms')) {
                $source->terms = SourceInput::terms($request);
            }
            // What is asked for now is another thing than what was kept of the last answer.
            $source->fill(['etag' => null, 'last_modified' => null, 'declined' => null])->save();
            ChangeLog::source($source->calendar, $this->viewer->person(), ...$before->changed(SourceSettings::of($source)));
            Change::ofAccess([$this->viewer->person()->id]);
        });

        return $this->jobs->start(JobKind::Refresh, $source->calendar->name, ['source' => $id, 'anyway' => $request->has('terms')], size: null, calendar: $source->calendar);
    }

    #[OA\Post(path: '/sources/{id}/refresh', operationId: 'refreshSource', summary: 'Refreshes a source now, in the background.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'anyway', required: false, description: 'Takes in what the far side has, also where it was declined before', schema: new OA\Schema(type: 'boolean'))],
        responses: [new Answers(JobData::class, 'It is being fetched', 202)])]
    public function refresh(Request $request, int $id): JsonResponse
    {
        $source = $this->managed->find($id);

        return $this->jobs->start(JobKind::Refresh, $source->calendar->name, ['source' => $id, 'anyway' => $request->boolean('anyway')], size: null, calendar: $source->calendar);
    }

    /** @param  array<string, list<mixed>>  $more  what is asked for besides the address */
    private function fetching(Request $request, JobKind $kind, array $more): JsonResponse
    {
        $input = $request->validate(['url' => ['required', 'string', 'max:2000']] + $more + SourceInput::addressRules(), ['url.required' => 'Enter the address of a calendar.', 'name.required' => 'Give the calendar a name.']);
        if (isset($input['pinTo'])) {
            $this->pinnable->target($input['pinTo'], 'pinTo');
        }
        $asked = $this->input->address($input['url']) + array_diff_key($input, ['signIn' => true, 'terms' => true]);

        return $this->jobs->start($kind, $input['name'] ?? (string) parse_url($asked['url'], PHP_URL_HOST), $asked + ['signIn' => SignIn::of($input['signIn'] ?? null)?->sealed(), 'terms' => SourceInput::terms($request) ?? []], size: null);
    }

    /**
     * @param  array{kind: string, user?: ?string, secret?: ?string}  $told
     * @return ?array<string, string> a secret that is left empty stays as it is
     */
    private function signIn(array $told, Source $source): ?array
    {
        $kept = ($told['secret'] ?? '') === '' && ($source->sign_in['kind'] ?? '') === $told['kind'] ? ['secret' => $source->sign_in['secret']] : [];

        return SignIn::of($kept + $told)?->kept();
    }

    private function manages(Source $source): bool
    {
        return $this->viewer->calendars()[$source->calendar_id]->level() === Level::Manage;
    }
}
