<?php

namespace App\Overlays;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Http\InputList;
use App\Http\Rules\ZoneName;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

#[OA\Schema(schema: 'LayerCountsInput', required: ['tz', 'layers'], properties: [
    new OA\Property(property: 'tz', description: 'Zone in which times are told', type: 'string'),
    new OA\Property(property: 'everyLayer', type: 'boolean'),
    new OA\Property(property: 'layers', type: 'array', items: new OA\Items(ref: '#/components/schemas/OverlayLayer')),
])]
final class LayerCountsController
{
    /** So far ahead is counted. */
    private const DAYS = 182;

    #[OA\Post(path: '/overlays/counts', operationId: 'countLayers', summary: 'What each layer of an overlay that is being composed takes of the coming half year; nothing is kept by it.', tags: ['overlays'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/LayerCountsInput')),
        responses: [new Answers(LayerCountData::class, 'Layer by layer', many: true)])]
    public function show(Request $request, CurrentViewer $viewer, SheetReader $reader): JsonResponse
    {
        $input = $request->validate(['tz' => ['required', 'string', new ZoneName], 'everyLayer' => ['sometimes', 'boolean'], 'layers' => ['required', 'array', 'min:1', 'max:'.OverlayInput::MOST_LAYERS]]);
        $told = InputList::inOrder($input['layers']);
        if (LayerInput::entries($told) > LayerInput::MOST_ENTRIES) {
            throw ValidationException::withMessages(['layers' => 'This is more than an overlay takes.']);
        }
        $read = array_map(LayerInput::of(...), $told);
        $complete = array_keys(array_filter($read, static fn (LayerInput $each): bool => $each->errors === []));
        $zone = Zone::of($input['tz']);
        $today = intdiv($zone->toLocal(now()->getTimestamp()), CivilDate::SECONDS_PER_DAY);
        $overlay = self::overlay($viewer, array_map(static fn (int $index): LayerInput => $read[$index], $complete), (bool) ($input['everyLayer'] ?? false));
        $items = $reader->read($viewer->perspective(), new SheetQuery(LocalDateTime::midnight($today), LocalDateTime::midnight($today + self::DAYS), $zone, $overlay))->items;
        $slugs = $viewer->calendars()->map(static fn ($each): string => $each->calendar->slug)->all();
        $counts = array_fill_keys($complete, 0);
        $examples = [];
        foreach ($items as $item) {
            $layer = $complete[$item->layer];
            $counts[$layer]++;
            if ($item->seen->isFull) {
                $examples[$layer] ??= $item->tell($zone, $slugs);
            }
        }

        return new JsonResponse(array_map(static fn (int $layer): LayerCountData => new LayerCountData($counts[$layer] ?? null, $examples[$layer] ?? null), array_keys($read)));
    }

    /**
     * An overlay that is not kept, of calendars that the viewer sees.
     *
     * @param  list<LayerInput>  $layers
     */
    private static function overlay(CurrentViewer $viewer, array $layers, bool $everyLayer): Overlay
    {
        $calendars = $viewer->calendars()->mapWithKeys(static fn ($each): array => [$each->calendar->slug => $each->calendar]);
        $records = array_map(static fn (LayerInput $each): LayerRecord => (new LayerRecord(LayerRecord::columns($each->values)))
            ->setRelation('calendars', new Collection(array_values(array_filter(array_map(static fn (string $slug) => $calendars[$slug] ?? null, $each->values['calendars'] ?? []))))), $layers);

        return (new Overlay(['every_layer' => $everyLayer]))->setRelation('layers', new Collection($records));
    }
}
