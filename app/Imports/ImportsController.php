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
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\Documents\NotADocument;
use PinnedRota\Core\Documents\SkippedRow;
use PinnedRota\Core\Documents\SkipReason;
use PinnedRota\Core\ICalendar\Diagnostic;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Import\Plan;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

#[OA\Schema(schema: 'ImportInput', required: ['edits'], properties: [
    new OA\Property(property: 'order', description: 'Whether the day or the month comes first in its figures; null: as it tells', type: 'string', enum: ['day', 'month'], nullable: true),
    new OA\Property(property: 'edits', description: 'All that is put right', type: 'array', items: new OA\Items(required: ['row'], properties: [
        new OA\Property(property: 'row', type: 'integer'),
        new OA\Property(property: 'title', type: 'string', nullable: true),
        new OA\Property(property: 'when', description: 'In words: “Wed 23 Sep 10–11”', type: 'string', nullable: true),
        new OA\Property(property: 'place', type: 'string', nullable: true),
        new OA\Property(property: 'leftOut', description: 'Whether it is not brought in', type: 'boolean'),
    ])),
])]
final class ImportsController
{
    private const ROWS_SHOWN = 200;

    /** Of what is pasted, in characters. */
    private const LONGEST_TEXT = 2_000_000;

    /** In octets. */
    private const BEGINNING = 20_000;

    public function __construct(private readonly CurrentViewer $viewer, private readonly ImportableCalendar $importable, private readonly Intake $intake, private readonly Jobs $jobs, private readonly DocumentRows $documents)
    {
    }

    #[OA\Post(path: '/calendars/{slug}/imports', operationId: 'previewImport', summary: 'Looks at a calendar file, a table, a page or a text: what bringing it in would add and change. Nothing is changed yet.', tags: ['imports'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(properties: [new OA\Property(property: 'file', type: 'string', format: 'binary'), new OA\Property(property: 'text', description: 'What was pasted, where it is no file', type: 'string')]))),
        responses: [new Answers(ImportPreviewData::class, 'The preview', 201)])]
    public function store(Request $request, string $slug): JsonResponse
    {
        $calendar = $this->importable->named($slug);
        [$path, $name] = $this->kept($request);
        try {
            $kind = DocumentKind::of($this->beginning($path));
            $import = new Import(['calendar_id' => $calendar->id, 'created_by' => $this->viewer->person()->id, 'file_name' => $name, 'path' => $path, 'kind' => $kind->value, 'created_at' => now()]);
            $import->setRelation('calendar', $calendar);
            $preview = $this->preview($import);
        } catch (ValidationException|NotADocument $problem) {
            Storage::delete($path);
            throw $problem instanceof NotADocument ? ValidationException::withMessages(['file' => $problem->getMessage()]) : $problem;
        }

        return new JsonResponse($preview, 201);
    }

    #[OA\Put(path: '/imports/{id}', operationId: 'putImport', summary: 'Puts right what was understood of a document, and looks at it anew. Nothing is changed yet.', tags: ['imports'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/ImportInput')),
        responses: [new Answers(ImportPreviewData::class, 'The preview')])]
    public function update(Request $request, int $id): JsonResponse
    {
        $input = $request->validate([
            'order' => ['sometimes', 'nullable', Rule::in([DateOrder::DayFirst->value, DateOrder::MonthFirst->value])],
            'edits' => ['present', 'array', 'max:'.DocumentKind::MOST_ROWS],
            'edits.*.row' => ['required', 'integer', 'min:0'],
            'edits.*.title' => ['sometimes', 'nullable', 'string', 'max:500'],
            'edits.*.when' => ['sometimes', 'nullable', 'string', 'max:120'],
            'edits.*.place' => ['sometimes', 'nullable', 'string', 'max:500'],
            'edits.*.leftOut' => ['sometimes', 'boolean'],
        ]);

        return DB::transaction(function () use ($id, $input): JsonResponse {
            $import = Import::query()->where('created_by', $this->viewer->person()->id)->lockForUpdate()->findOrFail($id);
            $import->demandFile();
            $this->importable->named($import->calendar->slug);
            if ($import->kind === DocumentKind::Calendar->value) {
                throw ValidationException::withMessages(['edits' => 'A calendar file is brought in as it is.']);
            }
            $import->fill(['options' => array_filter(['order' => $input['order'] ?? null, 'edits' => array_values($input['edits'])], static fn ($value): bool => $value !== null)]);

            return new JsonResponse($this->preview($import));
        });
    }

    /** So much of a file as tells what it is. */
    private function beginning(string $path): string
    {
        $stream = Storage::readStream($path);
        assert($stream !== null);
        $beginning = (string) stream_get_contents($stream, self::BEGINNING);
        fclose($stream);

        return $beginning;
    }

    /**
     * What was chosen or pasted, as it is stored, and what it is called.
     *
     * @return array{string, string}
     *
     * @throws ValidationException
     */
    private function kept(Request $request): array
    {
        $kilobytes = (int) config('rota.imports.max_kilobytes');
        $megabytes = intdiv($kilobytes, 1024);
        $input = $request->validate(['file' => ['required_without:text', 'file', "max:{$kilobytes}"], 'text' => ['sometimes', 'string', 'max:'.self::LONGEST_TEXT]], [
            'file.required_without' => 'Choose a file, or paste a table or a text.',
            'file.max' => "The file is larger than {$megabytes} MB. Ask for a shorter span of time, or bring it in in parts.",
            'file.uploaded' => "The file could not be taken in; it has at most {$megabytes} MB.",
            'text.max' => 'This is too long to be pasted. Bring it in as a file, or in parts.',
        ]);
        $file = $input['file'] ?? null;
        if ($file !== null) {
            return [(string) Storage::putFile('imports', $file), mb_strimwidth($file->getClientOriginalName(), 0, 200, '…')];
        }
        $path = 'imports/'.Str::random(40);
        Storage::put($path, $input['text']);

        return [$path, 'What was pasted'];
    }

    /** @throws ValidationException where there is nothing to bring in */
    private function preview(Import $import): ImportPreviewData
    {
        $diagnostics = new Diagnostics;
        $read = $import->kind === DocumentKind::Calendar->value ? null : $this->documents->of($import);
        $plan = $read === null ? $this->plan($import->calendar, (string) $import->path, $diagnostics) : $this->intake->planOf($import->calendar, $read->wanted());
        if ($read === null ? $plan->isEmpty() : $read->rows === []) {
            throw ValidationException::withMessages(['file' => match (true) {
                $read !== null => 'No event was found in it: nothing in it says what is on which day.',
                $diagnostics->total() === 0 => 'There are no events in this file.',
                default => 'No event in this file can be read. '.ucfirst((string) $diagnostics->worstFirst()[0]).'.',
            }]);
        }
        $rows = $read === null ? $this->rows($plan) : $this->documents->told($import->calendar, $read, $plan);
        $import->fill(['counts' => $plan->counts()])->save();
        $skipped = self::noteworthy($read->skipped ?? []);

        return new ImportPreviewData(
            id: $import->id,
            fileName: $import->file_name,
            kind: DocumentKind::from($import->kind),
            order: $read === null ? null : DateOrder::tryFrom((string) ($import->options['order'] ?? '')) ?? $read->order,
            counts: ImportCountsData::of($plan->counts()),
            rows: $rows,
            problems: array_map(
                static fn (Diagnostic $each): ImportProblemData => new ImportProblemData($each->line, $each->property, $each->problem, $each->outcome),
                array_slice($diagnostics->worstFirst(), 0, self::ROWS_SHOWN),
            ),
            problemCount: $diagnostics->total(),
            skipped: array_map(static fn (SkippedRow $each): SkippedRowData => new SkippedRowData($each->line, mb_strimwidth($each->said, 0, 200, '…'), $each->reason->words()), array_slice($skipped, 0, self::ROWS_SHOWN)),
            skippedCount: count($skipped),
        );
    }

    /**
     * @param  list<SkippedRow>  $skipped
     * @return list<SkippedRow> those that somebody may miss
     */
    private static function noteworthy(array $skipped): array
    {
        return array_values(array_filter($skipped, static fn (SkippedRow $each): bool => ! in_array($each->reason, [SkipReason::Empty, SkipReason::Head], true)));
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
