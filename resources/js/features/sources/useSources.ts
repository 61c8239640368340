import { useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { tellRefusal, useAction, useRefresh } from '@/api/useAction';
import { countsOf } from '@/features/jobs/jobWords';
import { useLongWork } from '@/features/jobs/useLongWork';
import { toast } from '@/toast/toast';

export type Source = Schemas['Source'];
export type RefreshOf = Schemas['Refresh'];
export type Terms = Schemas['SourceTermsInput'];
type Changes = Schemas['SourceChanges'];

export function useSources() {
    return useQuery({ queryKey: queryKeys.sources, queryFn: ({ signal }) => answered(api.GET('/sources', { signal })) });
}

/** With which events a refresh did what, or would do. */
export function useRefreshedEvents(source: number, refresh: number) {
    return useQuery({
        queryKey: queryKeys.refreshed(source, refresh),
        queryFn: ({ signal }) => answered(api.GET('/sources/{id}/refreshes/{refresh}', { params: { path: { id: source, refresh } }, signal })),
    });
}

/** Fetches a source anew, whatever asks for it: what came of it is told, and its card says it, too. */
export function useFetching(source: { id: number; calendar: { name: string } }) {
    const fresh = useRefresh();
    const told = async (job: Schemas['Job']) => {
        await fresh('access');
        toast(`${source.calendar.name}: ${countsWords(job.counts)}.`);
    };
    const failed = (error: unknown) => {
        void fresh('access');
        tellRefusal(error);
    };
    const refresh = useLongWork((anyway: boolean) => answered(api.POST('/sources/{id}/refresh', { params: { path: { id: source.id }, query: { anyway } } })), told);
    const change = useLongWork((changes: Changes) => answered(api.PATCH('/sources/{id}', { params: { path: { id: source.id } }, body: changes })), told);
    return { refresh: (anyway = false) => refresh.mutate(anyway, { onError: failed }), isFetching: refresh.isPending, job: refresh.job, change, failed };
}

/** Says whether what was held back is meant. */
export function useDeciding(source: { id: number; calendar: { name: string } }) {
    const fresh = useRefresh();
    const put = (refresh: number, take: boolean) => api.PUT('/sources/{id}/refreshes/{refresh}', { params: { path: { id: source.id, refresh } }, body: { take } });
    const take = useLongWork(
        // Taken in, it is answered with the job that does it; kept, with nothing.
        async (refresh: number): Promise<Schemas['Job']> => (await answered(put(refresh, true))) ?? Promise.reject(new Error('A job was promised.')),
        async (job) => {
            await fresh('access');
            toast(`${source.calendar.name}: ${countsWords(job.counts)}.`);
        },
    );
    const keep = useAction(async (refresh: number) => void (await answered(put(refresh, false))), {
        onDone: () => void toast(`${source.calendar.name} stays as it is, until the far side has something else.`),
    });
    return { take: (refresh: number) => take.mutate(refresh, { onError: tellRefusal }), keep: keep.mutate, isBusy: take.isPending || keep.isPending };
}

export function useTakingBack(source: Source) {
    return useAction(async (refresh: number) => void (await answered(api.POST('/sources/{id}/refreshes/{refresh}/back', { params: { path: { id: source.id, refresh } } }))), {
        onDone: () => void toast(`${source.calendar.name} is as it was before. What the far side has now is not taken in until it is another.`),
    });
}

export function useCatalogue() {
    return useAction(async ({ source, about }: { source: Source; about: string | null }) => void (await answered(api.PUT('/sources/{id}/catalogue', { params: { path: { id: source.id } }, body: { about } }))), {
        onDone: (_, { source, about }) => void toast(about === null ? `${source.calendar.name} is out of the catalogue. Whoever has it keeps it.` : `${source.calendar.name} is in the catalogue: everyone sees it.`),
    });
}

export function countsWords(counts: Schemas['ImportCounts'] | null): string {
    return counts === null ? 'nothing has changed' : countsOf(counts).toLowerCase();
}
