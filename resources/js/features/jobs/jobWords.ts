import type { Schemas } from '@/api/client';
import type { Job } from './jobs';

export const WHAT: Record<Job['kind'], string> = { import: 'Bringing in', bulk: 'Changing', subscribe: 'Subscribing to', refresh: 'Refreshing', look: 'Looking at', export: 'Writing', pin: 'Pinning' };

/** What came of a job that has ended. */
export function outcomeOf(job: Job): string {
    if (job.state === 'cancelled') return 'Broken off: nothing was changed.';
    if (job.problem !== null) return `${job.problem.errors?.[0]?.message ?? `${job.problem.title} ${job.problem.detail}`.trim()} Nothing was changed.`;
    if (job.counts !== null) return `${countsOf(job.counts)}.`;
    if (job.events !== null) return `${job.events === 1 ? '1 event is' : `${job.events.toLocaleString('en-GB')} events are`} changed.`;
    if (job.kind === 'pin') return 'Done.';
    return job.hasFile ? 'The file is ready.' : 'Nothing had changed.';
}

export function countsOf(counts: Schemas['ImportCounts']): string {
    const parts = (['added', 'changed', 'removed'] as const).filter((what) => counts[what] !== 0).map((what) => `${counts[what].toLocaleString('en-GB')} ${what}`);
    return parts.length === 0 ? 'Nothing has changed' : parts.join(', ');
}
