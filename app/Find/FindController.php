<?php

namespace App\Find;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Directory\DirectorySearch;
use App\Http\Rules\ZoneName;
use App\Organisation\Organisation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** One field that finds events and dates. */
final class FindController
{
    /** Of people, groups and rooms so many are told. */
    private const MOST_PARTIES = 5;

    #[OA\Get(path: '/find', operationId: 'find', summary: 'Events by words, over all one may read, past and future; people, groups and rooms by name; and the day that the words mean.', tags: ['events'],
        parameters: [
            new OA\QueryParameter(name: 'q', required: true, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'tz', required: true, description: 'Zone in which days are told', schema: new OA\Schema(type: 'string')),
        ],
        responses: [new Answers(FoundData::class, 'The best first, at most 20')])]
    public function index(Request $request, CurrentViewer $viewer, EventSearch $search, DirectorySearch $directory, Organisation $organisation): JsonResponse
    {
        $input = $request->validate(['q' => ['present', 'nullable', 'string', 'max:200'], 'tz' => ['required', 'string', new ZoneName]]);
        $zone = Zone::of($input['tz']);
        $words = (string) $input['q'];
        $today = new LocalDateTime($zone->toLocal(now()->getTimestamp()));

        return new JsonResponse(new FoundData($organisation->settings()->dayOf($words, $today)?->toDate(), $search->find($words, $viewer->perspective(), $zone), mb_strlen(trim($words)) < 2 ? [] : array_slice($directory->find($words, true), 0, self::MOST_PARTIES)));
    }
}
