<?php

namespace App\Jobs;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\History\Operation;
use Illuminate\Http\JsonResponse;
use PinnedRota\Core\Recurrence\TooMuchWork;
use Symfony\Component\HttpKernel\Exception\HttpException;

/**
 * Has something done for the person of this request: at once where there is little of it, else as a job in the background;
 * so, too, what proves to be more than its events let expect.
 */
final class Jobs
{
    /** So many may be waiting of one person. */
    private const MOST_WAITING = 20;

    public function __construct(private readonly CurrentViewer $viewer, private readonly JobRunner $runner)
    {
    }

    /**
     * @param  string  $title  what it is about: the name of a file, of a calendar
     * @param  array<string, mixed>  $input
     * @param  ?int  $size  how many events are concerned; null for what waits for somebody else's server, which is never done at once
     */
    public function start(JobKind $kind, string $title, array $input, ?int $size, ?Calendar $calendar = null): JsonResponse
    {
        if ($size !== null && $size <= (int) config('rota.jobs.at_once')) {
            try {
                $outcome = $this->runner->work($kind)->carryOut(new JobRun($input, new JobProgress));

                return (new JsonResponse(JobData::done($kind, $title, $outcome)))->header(Operation::HEADER, (string) $outcome->operation);
            } catch (TooMuchWork) {
                // What was begun of it is taken back by its transaction.
            }
        }
        $person = $this->viewer->person();
        if (BackgroundJob::query()->where('person_id', $person->id)->whereNull('ended_at')->count() >= self::MOST_WAITING) {
            throw new HttpException(429, 'There is enough to do for you already: wait until some of it has ended.', headers: ['Retry-After' => '30']);
        }
        $job = BackgroundJob::query()->create([
            'person_id' => $person->id, 'kind' => $kind, 'title' => mb_strimwidth($title, 0, 200, '…'), 'calendar_id' => $calendar?->id, 'input' => $input, 'state' => JobState::Waiting, 'queued_at' => now(),
        ]);
        RunJob::of($job);

        return new JsonResponse(JobData::of($job), 202);
    }
}
