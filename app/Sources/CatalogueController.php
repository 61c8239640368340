<?php

namespace App\Sources;

use App\Access\AccessReader;
use App\Access\CurrentViewer;
use App\Access\Sharing;
use App\Changes\Change;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/** The catalogue: sources worth having, which administrators put there for everyone. One calendar and one fetch serve all who have it. */
#[OA\Schema(schema: 'CatalogueInput', required: ['about'], properties: [
    new OA\Property(property: 'about', description: 'Why it is worth having; null takes it out', type: 'string', nullable: true),
])]
final class CatalogueController
{
    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly ManagedSource $managed,
        private readonly Sharing $sharing,
        private readonly AccessReader $access,
    ) {
    }

    #[OA\Put(path: '/sources/{id}/catalogue', operationId: 'putInCatalogue', summary: 'Puts a source into the catalogue, for everyone to see, or takes it out; whoever has it on their list keeps it.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/CatalogueInput')),
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function update(Request $request, int $id): Response
    {
        $this->viewer->demandAdministrator();
        $source = $this->managed->find($id);
        $about = $request->validate(['about' => ['present', 'nullable', 'string', 'max:300']])['about'];
        $about = $about === null ? null : trim($about);
        DB::transaction(function () use ($source, $about): void {
            $everyone = new Subject(SubjectKind::Everyone);
            if ($about !== null && ! $this->isSeenByEveryone($source)) {
                $this->sharing->give($source->calendar, $everyone, Level::See, $this->viewer->person());
                // It is there to be added, and on nobody’s list unasked.
                $source->calendar->update(['offered' => false]);
            }
            $source->update(['catalogue' => $about]);
            Change::ofAccess([$this->viewer->person()->id]);
        });

        return response()->noContent();
    }

    private function isSeenByEveryone(Source $source): bool
    {
        foreach ($this->access->grants($source->calendar) as $grant) {
            if (in_array($grant->subject->kind, [SubjectKind::Everyone, SubjectKind::Public], true) && $grant->level->includes(Level::See)) {
                return true;
            }
        }

        return false;
    }
}
