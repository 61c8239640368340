<?php

namespace App\Jobs;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** What one has asked for that takes its time. */
final class JobsController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly JobRunner $runner)
    {
    }

    #[OA\Get(path: '/jobs', operationId: 'listJobs', summary: 'One’s own long work: what is not done yet, and what has ended and was not seen.', tags: ['jobs'],
        responses: [new Answers(JobData::class, 'In the order in which it was asked for', many: true)])]
    public function index(): JsonResponse
    {
        $jobs = BackgroundJob::query()->where('person_id', $this->viewer->person()->id)->whereNull('seen_at')->with('calendar')->orderBy('id')->get();

        return new JsonResponse($jobs->map(JobData::of(...)));
    }

    #[OA\Get(path: '/jobs/{id}', operationId: 'getJob', summary: 'How far a job is, and what came of it. What was broken off is taken up again.', tags: ['jobs'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(JobData::class, 'The job')])]
    public function show(int $id): JsonResponse
    {
        $job = $this->job($id);
        if ($job->state === JobState::Running) {
            $this->runner->resume($id);
            $job->refresh();
        }

        return new JsonResponse(JobData::of($job));
    }

    #[OA\Delete(path: '/jobs/{id}', operationId: 'cancelJob', summary: 'Breaks a job off, if it is not done by then: what it did is taken back.', tags: ['jobs'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'It is broken off, or will be at its next step')])]
    public function destroy(int $id): Response
    {
        $job = $this->job($id);
        if ($job->isEnded()) {
            throw new ConflictHttpException($job->state === JobState::Done ? 'It is done already.' : 'It has ended already.');
        }
        JobProgress::cancel($id);
        // What nobody has begun ends here; what is under way, where it looks next.
        if (JobLock::take($id)) {
            $job->end(JobState::Cancelled);
            JobLock::release($id);
            JobProgress::forget($id);
        }

        return response()->noContent();
    }

    #[OA\Put(path: '/jobs/{id}/seen', operationId: 'seeJob', summary: 'Says that the end of a job was seen.', tags: ['jobs'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function seen(int $id): Response
    {
        $job = $this->job($id);
        if (! $job->isEnded()) {
            throw new ConflictHttpException('It has not ended yet.');
        }
        $job->update(['seen_at' => $job->seen_at ?? now()]);

        return response()->noContent();
    }

    #[OA\Get(path: '/jobs/{id}/file', operationId: 'getJobFile', summary: 'The file that a job made, or found at an address.', tags: ['jobs'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 200, description: 'The file', content: [new OA\MediaType(mediaType: 'text/calendar'), new OA\MediaType(mediaType: 'application/octet-stream', schema: new OA\Schema(type: 'string', format: 'binary'))])])]
    public function file(int $id): StreamedResponse
    {
        $job = $this->job($id);
        $path = $job->outcome['file'] ?? null;
        abort_unless(is_string($path) && Storage::exists($path), 404);

        // What was found at an address may be anything: it is opened by nothing that goes by its type.
        $type = $job->kind === JobKind::Look ? 'application/octet-stream' : 'text/calendar; charset=utf-8';

        return Storage::download($path, $job->title, ['Content-Type' => $type]);
    }

    private function job(int $id): BackgroundJob
    {
        return BackgroundJob::query()->where('person_id', $this->viewer->person()->id)->with('calendar')->findOrFail($id);
    }
}
