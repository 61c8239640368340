<?php

namespace App\Following;

use App\Access\CurrentViewer;
use App\Access\Perspective;
use App\Api\Answers;
use App\Calendars\CalendarNameData;
use App\Calendars\Category;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Notices\FollowedChange;
use PinnedRota\Core\Notices\Pace;

/** What one follows: nobody else sees it, and nobody else sets it. */
#[OA\Schema(schema: 'DigestInput', required: ['hour', 'byMail'], properties: [
    new OA\Property(property: 'hour', description: 'On one’s own clock', type: 'integer'),
    new OA\Property(property: 'weekday', description: 'Of a weekly one; 0 is Monday', type: 'integer'),
    new OA\Property(property: 'byMail', type: 'boolean'),
])]
final class FollowsController
{
    private const MOST = 300;

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen)
    {
    }

    #[OA\Get(path: '/follows', operationId: 'listFollows', summary: 'What one follows, how one is told of it, and when one’s digests come.', tags: ['following'],
        responses: [new Answers(FollowingData::class, 'All of it')])]
    public function index(): JsonResponse
    {
        return new JsonResponse($this->all());
    }

    #[OA\Put(path: '/follows', operationId: 'putFollow', summary: 'Says how one is told of what becomes of something; what is followed already is followed so from now on.', tags: ['following'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/FollowInput')),
        responses: [new Answers(FollowingData::class, 'All that one follows')])]
    public function put(FollowInput $input): JsonResponse
    {
        $person = $this->viewer->person();
        [$target, $columns] = $this->target($input, FollowedKind::from($input->validated('kind')));
        if (Follow::query()->where('person_id', $person->id)->where('target', '!=', $target)->count() >= self::MOST) {
            throw ValidationException::withMessages(['kind' => 'You follow '.self::MOST.' things already: end some first.']);
        }
        DB::transaction(static function () use ($person, $target, $columns, $input): void {
            $follow = Follow::query()->updateOrCreate(['person_id' => $person->id, 'target' => $target], $columns + ['kind' => $input->validated('kind')] + $input->columns());
            if ($follow->pace->isDigest()) {
                $digest = Digest::of($person, $follow->pace);
                $digest->update(['by_mail' => $digest->by_mail || $follow->by_mail]);
            }
        });

        return new JsonResponse($this->all());
    }

    #[OA\Delete(path: '/follows/{id}', operationId: 'endFollow', summary: 'Follows something no longer.', tags: ['following'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function destroy(int $id): Response
    {
        Follow::query()->where('person_id', $this->viewer->person()->id)->findOrFail($id)->delete();

        return response()->noContent();
    }

    #[OA\Put(path: '/digests/{pace}', operationId: 'putDigest', summary: 'Says when one’s daily or weekly digest comes, and whether it comes by mail.', tags: ['following'],
        parameters: [new OA\PathParameter(name: 'pace', schema: new OA\Schema(type: 'string', enum: ['daily', 'weekly']))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/DigestInput')),
        responses: [new Answers(FollowingData::class, 'All that one follows')])]
    public function digest(Request $request, string $pace): JsonResponse
    {
        $input = $request->validate(['hour' => ['required', 'integer', 'between:0,23'], 'weekday' => ['sometimes', 'integer', 'between:0,6'], 'byMail' => ['required', 'boolean']]);
        $digest = Digest::of($this->viewer->person(), Pace::from($pace));
        $digest->update(['by_mail' => (bool) $input['byMail']]);
        $digest->moveTo((int) $input['hour'], (int) ($input['weekday'] ?? $digest->weekday));

        return new JsonResponse($this->all());
    }

    /** @return array{string, array<string, ?int>} */
    private function target(FollowInput $input, FollowedKind $kind): array
    {
        $columns = match ($kind) {
            FollowedKind::Calendar => ['calendar_id' => $this->viewer->calendar($input->validated('calendar'), Level::See)->calendar->id],
            FollowedKind::Category => $this->category($input),
            FollowedKind::Overlay => ['overlay_id' => $this->viewer->overlay($input->validated('overlay'), Level::See)->id],
            FollowedKind::Person => ['followed_id' => Person::query()->where('status', 'active')->findOrFail($input->integer('person'))->id],
            FollowedKind::Event => ['event_id' => $this->seen->partly($input->integer('event'), $this->viewer->perspective())->id],
            FollowedKind::Mine => [],
        };

        return [implode(' ', [$kind->value, ...array_values($columns)]), $columns];
    }

    /** @return array<string, int> */
    private function category(FollowInput $input): array
    {
        $calendar = $this->viewer->calendar($input->validated('calendar'), Level::See)->calendar;
        $category = Category::query()->where(static fn ($of) => $of->whereNull('calendar_id')->orWhere('calendar_id', $calendar->id))->findOrFail($input->integer('category'));

        return ['calendar_id' => $calendar->id, 'category_id' => $category->id];
    }

    private function all(): FollowingData
    {
        $person = $this->viewer->person();
        $perspective = $this->viewer->perspective();
        $overlays = $this->viewer->overlays()->map(static fn (array $each): int => $each[0]->id);
        $follows = Follow::query()->where('person_id', $person->id)->with(['calendar', 'category', 'overlay', 'followed', 'event' => static fn ($event) => $event->with(EventRecord::WHOLE)])->orderBy('id')->get();
        [$mine, $others] = $follows->partition(static fn (Follow $each): bool => $each->kind === FollowedKind::Mine);
        $told = [$mine->first() ?? Follow::mine($person->id), ...$others->all()];
        $digests = Digest::query()->where('person_id', $person->id)->with('person')->get()->keyBy(static fn (Digest $each): string => $each->pace->value);

        return new FollowingData(
            array_map(fn (Follow $each): FollowData => $this->told($each, $perspective, $overlays->all()), $told),
            array_map(static fn (Pace $pace): DigestData => DigestData::of($digests[$pace->value] ?? (new Digest(['pace' => $pace, 'by_mail' => false]))->setRelation('person', $person)), [Pace::Daily, Pace::Weekly]),
        );
    }

    /** @param  array<int>  $overlays  that one may look through */
    private function told(Follow $follow, Perspective $perspective, array $overlays): FollowData
    {
        $calendar = $perspective->calendars[$follow->calendar_id ?? $follow->event->calendar_id ?? 0]->calendar ?? null;
        $isEventSeen = $follow->event !== null && $this->seen->asSuch($follow->event, $perspective) === Visibility::Full;
        $isSeen = match ($follow->kind) {
            FollowedKind::Calendar, FollowedKind::Category => $calendar !== null,
            FollowedKind::Overlay => in_array($follow->overlay_id, $overlays, true),
            FollowedKind::Event => $isEventSeen,
            FollowedKind::Person, FollowedKind::Mine => true,
        };

        return new FollowData(
            $follow->exists ? $follow->id : null, $follow->kind, ! $isSeen ? '' : match ($follow->kind) {
                FollowedKind::Calendar => (string) $calendar?->name,
                FollowedKind::Category => $follow->category->name ?? '',
                FollowedKind::Overlay => $follow->overlay->name ?? '',
                FollowedKind::Person => $follow->followed->name ?? '',
                FollowedKind::Event => $follow->event->title ?? '',
                FollowedKind::Mine => 'What you take part in',
            },
            $calendar === null ? null : CalendarNameData::of($calendar), $follow->category_id, $isSeen ? $follow->overlay?->slug : null, $follow->followed_id, $follow->event_id,
            array_map(FollowedChange::from(...), $follow->wanted), $follow->pace, $follow->by_mail, $follow->in_inbox,
        );
    }
}
