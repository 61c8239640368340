import { queryOptions } from '@tanstack/react-query';
import { answered, api, Problem, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { pause, untilAnswered } from '@/api/untilAnswered';

export type Job = Schemas['Job'];

/** Between two looks at a job, in milliseconds: soon at first, as most of it is done soon. */
const FIRST = 300;
const LONGEST = 2000;

export function isEnded(job: Job): boolean {
    return job.state !== 'waiting' && job.state !== 'running';
}

/** One's own long work: what is not done yet, and what has ended and was not seen. */
export const jobsQuery = queryOptions({
    queryKey: queryKeys.jobs,
    queryFn: ({ signal }) => answered(api.GET('/jobs', { signal })),
    refetchInterval: (query) => (query.state.data?.some((job) => !isEnded(job)) === true ? LONGEST : false),
});

/** Waits until a job has ended, and tells how far it is meanwhile. */
export async function waitFor(job: Job, onStep: (job: Job) => void): Promise<Job> {
    let now = job;
    for (let wait = FIRST; now.id !== null && !isEnded(now); wait = Math.min(LONGEST, wait * 1.4)) {
        onStep(now);
        await pause(wait);
        const { id } = now;
        now = await untilAnswered(() => answered(api.GET('/jobs/{id}', { params: { path: { id } } })));
    }
    onStep(now);
    return now;
}

/** What came of it, where it was done; else why it was not is thrown. */
export function demandDone(job: Job): Job {
    const { problem } = job;
    if (job.state === 'cancelled') throw new Problem(409, 'Cancelled.', 'Nothing was changed.', [], null);
    if (problem !== null) throw new Problem(problem.status, problem.title, problem.detail, problem.errors ?? [], problem.current ?? null);
    return job;
}
