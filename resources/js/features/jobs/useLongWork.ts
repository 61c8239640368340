import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { untilAnswered } from '@/api/untilAnswered';
import { demandDone, waitFor, type Job } from './jobs';

/**
 * Asks for something that may take its time, and waits for its end, however long that is and whatever is looked at meanwhile.
 * Where an answer is lost, it asks what became of it.
 */
export function useLongWork<Input = void>(ask: (input: Input) => Promise<Job>, onDone: (job: Job, input: Input) => void | Promise<void>) {
    const client = useQueryClient();
    const [job, setJob] = useState<Job | null>(null);
    const work = useMutation({
        mutationFn: async (input: Input) => {
            setJob(null);
            const asked = await untilAnswered(() => ask(input));
            if (asked.id !== null) void client.invalidateQueries({ queryKey: queryKeys.jobs });
            const ended = await waitFor(asked, setJob);
            const { id } = ended;
            // Whoever waited for it has seen its end; everybody else finds it among what waits for them.
            if (id !== null) {
                await answered(api.PUT('/jobs/{id}/seen', { params: { path: { id } } })).catch(() => undefined);
                void client.invalidateQueries({ queryKey: queryKeys.jobs });
            }
            return demandDone(ended);
        },
        onSuccess: onDone,
    });
    return { ...work, job };
}
