import { answered, api, type Schemas } from '@/api/client';
import { useRefresh } from '@/api/useAction';
import { useTellDone } from '@/features/history/useTellDone';
import { useLongWork } from '@/features/jobs/useLongWork';

export type BulkInput = Schemas['BulkInput'];

/** Changes many events as one; a few hundred and more in the background. */
export function useBulk(said: (events: number) => string) {
    const refresh = useRefresh();
    const tellDone = useTellDone();
    return useLongWork(
        (input: BulkInput) => answered(api.POST('/bulk', { body: input })),
        ({ events, operation }) => {
            void refresh('events');
            tellDone(operation, said(events ?? 0));
        },
    );
}
