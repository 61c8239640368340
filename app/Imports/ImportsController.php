<?php

namespace App\Imports;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Calendars\Calendar;
use App\Jobs\BackgroundJob;
use App\Jobs\JobData;
use App\Jobs\JobKind;
use App\Jobs\Jobs;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\ICalendar\Diagnostic;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Import\Plan;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

final class ImportsController
{
    private const ROWS_SHOWN = 200;

    public function __construct(private readonly CurrentViewer $viewer, private readonly ImportableCalendar $importable, private readonly Intake $intake, private readonly Jobs $jobs)
    {
    }

    #[OA\Post(path: '/calendars/{slug}/imports', operationId: 'previewImport', summary: 'Looks at an iCalendar file: what bringing it in would add and change. Nothing is changed yet.', tags: ['imports'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['file'], properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')]))),
        responses: [new Answers(ImportPreviewData::class, 'The preview', 201)])]
    public function store(Request $request, string $slug): JsonResponse
    {
        $calendar = $this->importable->named($slug);
        $kilobytes = (int) config('rota.imports.max_kilobytes');
        $megabytes = intdiv($kilobytes, 1024);
        $file = $request->validate(['file' => ['required', 'file', "max:{$kilobytes}"]], [
            'file.required' => 'Choose a file.',
            'file.max' => "The file is larger than {$megabytes} MB. Ask for a shorter span of time, or bring it in in parts.",
            'file.uploaded' => "The file could not be taken in; it has at most {$megabytes} MB.",
        ])['file'];
        $path = Storage::putFile('imports', $file);
        $diagnostics = new Diagnostics;
        try {
            $plan = $this->plan($calendar, $path, $diagnostics);
            $rows = $this->rows($plan);
            if ($plan->isEmpty()) {
                throw ValidationException::withMessages(['file' => $diagnostics->total() === 0
                    ? 'There are no events in this file.'
                    : 'No event in this file can be read. '.ucfirst((string) $diagnostics->worstFirst()[0]).'.']);
            }
        } catch (ValidationException $problem) {
            Storage::delete($path);
            throw $problem;
        }
        $import = Import::query()->create([
            'calendar_id' => $calendar->id,
            'created_by' => $this->viewer->person()->id,
            'file_name' => mb_strimwidth($file->getClientOriginalName(), 0, 200, '…'),
            'path' => $path,
            'counts' => $plan->counts(),
        ]);

        return new JsonResponse(new ImportPreviewData(
            id: $import->id,
            fileName: $import->file_name,
            counts: ImportCountsData::of($plan->counts()),
            rows: $rows,
            problems: array_map(
                static fn (Diagnostic $each): ImportProblemData => new ImportProblemData($each->line, $each->property, $each->problem, $each->outcome),
                array_slice($diagnostics->worstFirst(), 0, self::ROWS_SHOWN),
            ),
            problemCount: $diagnostics->total(),
        ), 201);
    }

    #[OA\Post(path: '/imports/{id}/apply', operationId: 'applyImport', summary: 'Brings a file in that was looked at: all of it or nothing; a few hundred events and more in the background.', tags: ['imports'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(JobData::class, 'Done'), new Answers(JobData::class, 'It will be done in the background', 202)])]
    public function apply(int $id): JsonResponse
    {
        return DB::transaction(function () use ($id): JsonResponse {
            $import = Import::query()->where('created_by', $this->viewer->person()->id)->lockForUpdate()->findOrFail($id);
            $import->demandFile();
            if (BackgroundJob::query()->where('person_id', $import->created_by)->where('kind', JobKind::Import)->whereNull('ended_at')->where('input->import', $id)->exists()) {
                throw new ConflictHttpException('This file is being brought in.');
            }

            return $this->jobs->start(JobKind::Import, $import->file_name, ['import' => $id], ($import->counts['added'] ?? 0) + ($import->counts['changed'] ?? 0), $import->calendar);
        });
    }

    /** @return list<ImportRowData> the first of the file */
    private function rows(Plan $plan): array
    {
        $rows = [];
        foreach ($plan as $place => $planned) {
            $rows[$place] = ImportRowData::of($planned);
            if (count($rows) === 2 * self::ROWS_SHOWN) {
                ksort($rows);
                $rows = array_slice($rows, 0, self::ROWS_SHOWN, true);
            }
        }
        ksort($rows);

        return array_slice($rows, 0, self::ROWS_SHOWN);
    }

    private function plan(Calendar $calendar, string $path, Diagnostics $diagnostics): Plan
    {
        try {
            return $this->intake->plan($calendar, Storage::readStream($path), $diagnostics);
        } catch (NotICalendar $problem) {
            throw ValidationException::withMessages(['file' => $problem->getMessage()]);
        }
    }
}
