import { useMutation } from '@tanstack/react-query';
import { answered, api, type Done, done, Problem, type Schemas } from '@/api/client';
import { useRefresh } from '@/api/useAction';
import { useTellDone } from '@/features/history/useTellDone';

export type BulkInput = Schemas['BulkInput'];

/** So often it is asked what became of a change whose answer did not come, and how long is waited between. */
const TRIES = 40;
const PAUSE = 1500;

/** Changes many events as one; where the answer is lost, asks what became of it: all was done, or nothing. */
export function useBulk(said: (events: number) => string) {
    const refresh = useRefresh();
    const tellDone = useTellDone();
    return useMutation({
        mutationFn: async (input: BulkInput): Promise<Done<Schemas['BulkDone']>> => {
            const key = crypto.randomUUID();
            try {
                return await done(api.POST('/bulk', { body: { ...input, key } }));
            } catch (error) {
                if (error instanceof Problem && error.status !== 0 && error.status < 500) throw error;
                const done = await whatBecame(key);
                if (done !== null) return { answer: done, operation: done.operation };
                throw new Problem(503, 'Nothing was changed.', 'It broke off in the middle, and all of it was taken back. Try again.', [], null);
            }
        },
        onSuccess: ({ answer, operation }) => {
            void refresh('events');
            tellDone(operation, said(answer.events));
        },
    });
}

/** What is on record under a key once the server answers again; null where nothing was done. */
async function whatBecame(key: string): Promise<Schemas['BulkDone'] | null> {
    for (let tries = 0; tries < TRIES; tries++) {
        try {
            return await answered(api.GET('/operations/{key}', { params: { path: { key } } }));
        } catch (error) {
            if (error instanceof Problem && error.status === 404) return null;
        }
        await new Promise((resolve) => setTimeout(resolve, PAUSE));
    }
    throw new Problem(0, 'No connection.', 'Whether it was done is not known yet: once you are connected again, look at the table before you try again.', [], null);
}
