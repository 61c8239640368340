import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { useUndo } from '@/features/history/useUndo';
import { isEnded, jobsQuery, type Job } from './jobs';
import { JobProgress } from './JobProgress';
import { outcomeOf, WHAT } from './jobWords';

/** Long work of one's own: how far it is, and what came of it. */
export function JobsList() {
    const { data = [] } = useQuery(jobsQuery);
    return (
        <ul aria-label="Long work" className="border-t border-line">
            {data.map((job) => (
                <li key={job.id} className="border-b border-line py-2.5">
                    {isEnded(job) ? <Ended job={job} /> : <JobProgress job={job} what={`${WHAT[job.kind]} ${job.title}`} />}
                </li>
            ))}
        </ul>
    );
}

function Ended({ job }: { job: Job }) {
    const client = useQueryClient();
    const turn = useUndo();
    const see = useAction((id: number) => answered(api.PUT('/jobs/{id}/seen', { params: { path: { id } } })), { changes: 'events', onDone: () => void client.invalidateQueries({ queryKey: queryKeys.jobs }) });
    const { id, operation, calendar } = job;
    const actions: ReactNode[] = [];
    if (job.hasFile && id !== null) {
        actions.push(
            <a key="file" href={`/api/v1/jobs/${id}/file`} className="hit underline" download>
                Take the file
            </a>,
        );
    }
    if (job.state === 'done' && calendar !== null) {
        actions.push(
            <Link key="look" to="/" search={{ calendar }} className="hit underline">
                Look at it
            </Link>,
        );
    }
    if (job.state === 'done' && operation !== null) {
        actions.push(
            <Button key="undo" onClick={() => turn(operation, true)}>
                Undo
            </Button>,
        );
    }
    return (
        <div className="flex flex-wrap items-center gap-3">
            <p className="min-w-60 flex-1">
                <b className="font-semibold">{job.title}</b>
                <span className="block text-soft">{outcomeOf(job)}</span>
            </p>
            {actions}
            {id !== null && (
                <Button disabled={see.isPending} onClick={() => see.mutate(id)} aria-label={`Seen: ${job.title}`}>
                    Seen
                </Button>
            )}
        </div>
    );
}
