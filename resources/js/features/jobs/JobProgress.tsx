import { Button } from '@/components/Button';
import type { Job } from './jobs';
import { useCancel } from './useCancel';

/** How far long work is, in words and as a bar. */
export function JobProgress({ job, what }: { job: Job | null; what: string }) {
    const cancel = useCancel();
    const known = job !== null && job.total > 0;
    return (
        <div className="flex w-full flex-wrap items-center gap-x-3 gap-y-1 border-l-[3px] border-line py-1 pl-3">
            <p role="status" className="min-w-0 flex-1 text-soft">
                {wordsOf(job, what)}
                {job !== null && job.id !== null && <span className="block text-xs">You can leave this page: it goes on, and its end is told under “For you”.</span>}
            </p>
            {known && <progress aria-label={what} className="h-2.5 w-40 appearance-none border border-ink bg-sheet [&::-moz-progress-bar]:bg-ink [&::-webkit-progress-bar]:bg-sheet [&::-webkit-progress-value]:bg-ink" value={job.done} max={job.total} />}
            {job !== null && job.id !== null && (
                <Button disabled={cancel.isPending || cancel.isSuccess} onClick={() => cancel.mutate(job)}>
                    {cancel.isPending || cancel.isSuccess ? 'Breaking it off…' : 'Break it off'}
                </Button>
            )}
        </div>
    );
}

export function wordsOf(job: Job | null, what: string): string {
    if (job === null) return `${what}…`;
    if (job.state === 'waiting') return `${what}: it waits for its turn.`;
    if (job.total === 0) return `${what}…`;
    return job.done < job.total ? `${what}: ${job.done.toLocaleString('en-GB')} of ${job.total.toLocaleString('en-GB')}.` : `${what}: the last touches.`;
}
