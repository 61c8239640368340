<?php

namespace App\Attachments;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\AttachFile;
use App\Events\Write\Commands\DetachFile;
use App\Events\Write\OperationKind;
use App\History\Operation;
use App\Http\Answer;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\Rules\File;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Files on events: whoever sees the event in full may have them, whoever may change it adds and takes them off. */
final class AttachmentsController
{
    private const MOST = 20;

    /** Nothing that a browser would run in the name of this site, nor a program. */
    private const KINDS = ['pdf', 'txt', 'csv', 'ics', 'md', 'rtf', 'doc', 'docx', 'odt', 'xls', 'xlsx', 'ods', 'ppt', 'pptx', 'odp', 'png', 'jpg', 'jpeg', 'gif', 'webp', 'heic', 'mp3', 'm4a', 'mp4', 'zip'];

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly ChangeEvents $changes)
    {
    }

    #[OA\Post(path: '/events/{id}/attachments', operationId: 'attachFile', summary: 'Hangs a file on an event.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['file'], properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')]))),
        responses: [new Answers(AttachmentData::class, 'The file', 201)])]
    public function store(Request $request, int $id): JsonResponse
    {
        $head = EventRecord::query()->whereNull('series_id')->findOrFail($id);
        $this->seen->demandChange($head, $this->viewer->perspective());
        $kilobytes = (int) config('rota.attachments.max_kilobytes');
        $megabytes = intdiv($kilobytes, 1024);
        $file = $request->validate(['file' => ['required', File::types(self::KINDS)->max($kilobytes), 'extensions:'.implode(',', self::KINDS)]], [
            'file.required' => 'Choose a file.',
            'file.max' => "A file has at most {$megabytes} MB.",
            'file.uploaded' => "The file could not be taken in; it has at most {$megabytes} MB.",
            'file.mimes' => 'Documents, tables, pictures, sound and zip files can be attached; this one is none of them.',
            'file.extensions' => 'Documents, tables, pictures, sound and zip files can be attached; this one is none of them.',
        ])['file'];
        $name = mb_strimwidth(preg_replace('/[\x00-\x1f\/\\\\]/u', '', $file->getClientOriginalName()) ?: 'file', 0, 200);
        if (Attachment::query()->where('event_id', $head->id)->count() >= self::MOST) {
            throw ValidationException::withMessages(['file' => 'An event has at most '.self::MOST.' files.']);
        }
        $path = (string) Storage::putFile('attachments', $file);
        $operation = $this->carryOut(new AttachFile($id, $name, (string) $file->getMimeType(), $file->getSize(), $path));

        return (new JsonResponse(AttachmentData::of(Attachment::query()->where('path', $path)->firstOrFail()), 201))->header(Operation::HEADER, (string) $operation->id);
    }

    #[OA\Get(path: '/events/{id}/attachments/{attachment}', operationId: 'downloadFile', summary: 'A file of an event, for whoever sees the event in full.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'attachment', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 200, description: 'The file')])]
    public function show(int $id, int $attachment): StreamedResponse
    {
        $found = Attachment::query()->where('event_id', $this->seen->full($id, $this->viewer->perspective())->id)->findOrFail($attachment);

        // Always to be saved, never shown in the name of this site.
        return Storage::download($found->path, $found->name, ['Content-Type' => 'application/octet-stream', 'X-Content-Type-Options' => 'nosniff']);
    }

    #[OA\Delete(path: '/events/{id}/attachments/{attachment}', operationId: 'detachFile', summary: 'Takes a file off an event; it can be undone.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'attachment', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Taken off')])]
    public function destroy(int $id, int $attachment): Response
    {
        $head = EventRecord::query()->whereNull('series_id')->findOrFail($id);
        $this->seen->demandChange($head, $this->viewer->perspective());
        Attachment::query()->where('event_id', $head->id)->findOrFail($attachment);

        return Answer::done($this->carryOut(new DetachFile($id, $attachment)));
    }

    private function carryOut(Command $command): Operation
    {
        return $this->changes->carryOut(Actor::person($this->viewer->person()), Cause::Screen, OperationKind::Change, [$command])->operation;
    }
}
