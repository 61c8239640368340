<?php

namespace App\Jobs;

use App\Http\Problem;
use Illuminate\Contracts\Container\Container;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Throwable;

/** Carries jobs out: each once and as a whole, for whoever asked for it, and with an end that is so. */
final class JobRunner
{
    /** A worker that ends in the middle of it, again and again, ends because of it. */
    private const ATTEMPTS = 3;

    /** So many fetches of one person are under way at once: who has slow sources waits for them, and nobody else does. */
    private const FETCHES_OF_ONE = 2;

    /** What was queued and never begun is queued again after so many minutes. */
    private const FORGOTTEN = 10;

    /** @param  array<string, class-string<Work>>  $works  by kind */
    public function __construct(private readonly Container $container, private readonly array $works)
    {
    }

    public function work(JobKind $kind): Work
    {
        return $this->container->make($this->works[$kind->value]);
    }

    /** @return bool false where it has to wait for another job of the same person */
    public function run(int $jobId): bool
    {
        $job = BackgroundJob::query()->with('person')->find($jobId);
        if ($job === null || $job->isEnded() || ! JobLock::take($jobId)) {
            return true;
        }
        try {
            if ($job->kind->fetches() && $this->fetchesOf($job->person_id) >= self::FETCHES_OF_ONE) {
                return false;
            }
            // Read again: whoever held the lock before may have ended it.
            if (BackgroundJob::query()->whereKey($jobId)->whereNull('ended_at')->update(['state' => JobState::Running, 'attempts' => DB::raw('attempts + 1'), 'started_at' => now()]) === 1) {
                $this->carryOut($job->refresh()->load('person'));
            }

            return true;
        } finally {
            JobLock::release($jobId);
        }
    }

    /** Takes up what was broken off: what is said to be running and nobody is at, and what was queued and got lost. */
    public function resume(?int $jobId = null): int
    {
        $broken = BackgroundJob::query()->when($jobId !== null, fn ($query) => $query->whereKey($jobId))->where(fn ($query) => $query
            ->where('state', JobState::Running)->orWhere(fn ($query) => $query->where('state', JobState::Waiting)->where('queued_at', '<', now()->subMinutes(self::FORGOTTEN))))->get()
            ->filter(static fn (BackgroundJob $job): bool => ! JobLock::isHeld($job->id));
        foreach ($broken as $job) {
            // By one of those who notice it at the same moment.
            $mine = BackgroundJob::query()->whereKey($job->id)->where('state', $job->state)->where('queued_at', $job->queued_at)->update(['state' => JobState::Waiting, 'queued_at' => now()]);
            if ($mine === 1) {
                RunJob::of($job);
            }
        }

        return $broken->count();
    }

    private function carryOut(BackgroundJob $job): void
    {
        $guard = Auth::guard('web');
        $before = $guard->hasUser() ? $guard->user() : null;
        try {
            if (! $job->person->isActive()) {
                throw new AccessDeniedHttpException('Whoever asked for it may not sign in any more.');
            }
            if ($job->attempts > self::ATTEMPTS) {
                $job->end(JobState::Failed, problem: $this->problem('It broke off again and again.', 'Nothing was changed. Whoever looks after this site finds it in the log.'));

                return;
            }
            $guard->setUser($job->person);
            $progress = new JobProgress($job->id);
            $progress->demandWanted();
            $outcome = $this->work($job->kind)->carryOut(new JobRun($job->input, $progress, $job));
            $job->end(JobState::Done, $outcome);
        } catch (JobCancelled) {
            $job->end(JobState::Cancelled);
        } catch (Throwable $problem) {
            $this->failed($job, $problem);
        } finally {
            $before === null ? $guard->forgetUser() : $guard->setUser($before);
            // While it is not ended, it is known by this that it is wanted no more.
            if ($job->refresh()->isEnded()) {
                JobProgress::forget($job->id);
            }
        }
    }

    private function failed(BackgroundJob $job, Throwable $problem): void
    {
        if ((new LostConnectionDetector)->causedByLostConnection($problem)) {
            // What was begun is taken back by the database itself; it is taken up again.
            report($problem);
            DB::reconnect();

            return;
        }
        $told = Problem::from($problem);
        if ($told === null || $told->getStatusCode() >= 500) {
            report($problem);
        }
        $job->end(JobState::Failed, problem: $told === null ? $this->problem('Something went wrong here.', 'It has been noted. Nothing was changed; try again.') : (array) $told->getData(true));
    }

    /** @return array<string, mixed> */
    private function problem(string $title, string $detail): array
    {
        return (array) Problem::response(500, $title, $detail)->getData(true);
    }

    private function fetchesOf(int $personId): int
    {
        return BackgroundJob::query()->where('person_id', $personId)->where('state', JobState::Running)->whereIn('kind', array_filter(JobKind::cases(), static fn (JobKind $kind): bool => $kind->fetches()))->count();
    }
}
