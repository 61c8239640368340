<?php

namespace App\Imports;

use App\Access\CurrentViewer;
use App\Api\Answers;
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
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Documents\ColumnRole;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\Documents\NotADocument;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

#[OA\Schema(schema: 'ImportInput', required: ['edits'], properties: [
    new OA\Property(property: 'order', description: 'Whether the day or the month comes first in its figures; null: as it tells', type: 'string', enum: ['day', 'month'], nullable: true),
    new OA\Property(property: 'edits', description: 'All that is put right', type: 'array', items: new OA\Items(required: ['row'], properties: [
        new OA\Property(property: 'row', type: 'integer'),
        new OA\Property(property: 'title', type: 'string', nullable: true),
        new OA\Property(property: 'when', description: 'In words: “Wed 23 Sep 10–11”', type: 'string', nullable: true),
        new OA\Property(property: 'place', type: 'string', nullable: true),
        new OA\Property(property: 'category', description: 'Several between semicolons', type: 'string', nullable: true),
        new OA\Property(property: 'calendar', description: 'On which calendar it goes', type: 'string', nullable: true),
        new OA\Property(property: 'leftOut', description: 'Whether it is not brought in', type: 'boolean'),
    ])),
    new OA\Property(property: 'columns', description: 'What the columns of its tables are, where that is put right; of a table all of its columns', type: 'array', items: new OA\Items(required: ['table', 'column', 'role'], properties: [
        new OA\Property(property: 'table', type: 'integer'),
        new OA\Property(property: 'column', type: 'integer'),
        new OA\Property(property: 'role', type: 'string', enum: ColumnRole::class),
        new OA\Property(property: 'isKey', description: 'Whether it tells the rows apart', type: 'boolean'),
    ])),
    new OA\Property(property: 'gone', description: 'Whether what came in by it before and is not in it any more is taken away', type: 'boolean'),
])]
final class ImportsController
{
    /** Of what is pasted, in characters. */
    private const LONGEST_TEXT = 2_000_000;

    /** In octets. */
    private const BEGINNING = 20_000;

    /** So many of the last imports are told of. */
    private const LISTED = 50;

    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly ImportableCalendar $importable,
        private readonly Jobs $jobs,
        private readonly ImportPreviews $previews,
    ) {
    }

    #[OA\Get(path: '/calendars/{slug}/imports', operationId: 'listImports', summary: 'What was brought into a calendar, for those who may change it.', tags: ['imports'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(ImportData::class, 'The newest first, at most 50', many: true)])]
    public function index(string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Change)->calendar;
        $imports = Import::query()->where('calendar_id', $calendar->id)->whereNotNull('applied_at')->with(['person', 'operation'])->orderByDesc('applied_at')->orderByDesc('id')->limit(self::LISTED)->get();

        return new JsonResponse($imports->map(fn (Import $each): ImportData => ImportData::of($each, $this->viewer->person()->id)));
    }

    #[OA\Get(path: '/imports/{id}/file', operationId: 'getImportFile', summary: 'What was brought in, as it came; for those who may change its calendar.', tags: ['imports'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 200, description: 'The file', content: new OA\MediaType(mediaType: 'application/octet-stream', schema: new OA\Schema(type: 'string', format: 'binary')))])]
    public function file(int $id): StreamedResponse
    {
        $import = Import::query()->whereNotNull('applied_at')->with('calendar')->findOrFail($id);
        $this->viewer->calendar($import->calendar->slug, Level::Change);
        if ($import->path === null || ! Storage::exists($import->path)) {
            throw new NotFoundHttpException;
        }

        return Storage::download($import->path, $import->downloadName(), ['Content-Type' => 'application/octet-stream']);
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
            $preview = $this->previews->of($import);
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
            'edits.*.category' => ['sometimes', 'nullable', 'string', 'max:500'],
            'edits.*.calendar' => ['sometimes', 'nullable', 'string', 'max:200'],
            'edits.*.leftOut' => ['sometimes', 'boolean'],
            'columns' => ['sometimes', 'array', 'max:500'],
            'columns.*.table' => ['required', 'integer', 'min:0'],
            'columns.*.column' => ['required', 'integer', 'min:0', 'max:200'],
            'columns.*.role' => ['required', Rule::enum(ColumnRole::class)],
            'columns.*.isKey' => ['sometimes', 'boolean'],
            'gone' => ['sometimes', 'boolean'],
        ]);

        return DB::transaction(function () use ($id, $input): JsonResponse {
            $import = Import::query()->where('created_by', $this->viewer->person()->id)->lockForUpdate()->findOrFail($id);
            $import->demandFile();
            $this->importable->named($import->calendar->slug);
            if ($import->kind === DocumentKind::Calendar->value && [$input['edits'], $input['columns'] ?? [], $input['order'] ?? null] !== [[], [], null]) {
                throw ValidationException::withMessages(['edits' => 'A calendar file is brought in as it is.']);
            }
            $columns = $keys = [];
            foreach ($input['columns'] ?? [] as $each) {
                $columns[$each['table']][$each['column']] = $each['role'];
                if ($each['isKey'] ?? false) {
                    $keys[$each['table']][] = $each['column'];
                }
            }
            $options = ['order' => $input['order'] ?? null, 'edits' => array_values($input['edits']), 'columns' => $columns ?: null, 'keys' => $keys ?: null, 'gone' => ($input['gone'] ?? false) ?: null];
            $import->fill(['options' => array_filter($options, static fn (mixed $value): bool => $value !== null)]);

            return new JsonResponse($this->previews->of($import));
        });
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

            return $this->jobs->start(JobKind::Import, $import->file_name, ['import' => $id], array_sum(array_diff_key($import->counts ?? [], ['unchanged' => 0])), $import->calendar);
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
}
