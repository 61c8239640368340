import { useQueryClient } from '@tanstack/react-query';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import type { Job } from './jobs';

/** Breaks long work off: what it did is taken back. Where it is done by then, that is said. */
export function useCancel() {
    const client = useQueryClient();
    return useAction((job: Job) => (job.id === null ? Promise.resolve(undefined) : answered(api.DELETE('/jobs/{id}', { params: { path: { id: job.id } } }))), {
        changes: 'events',
        onDone: () => void client.invalidateQueries({ queryKey: queryKeys.jobs }),
    });
}
