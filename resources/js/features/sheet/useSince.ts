import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { sameThrough, windowQuery, type Span, type Through } from '@/features/sheet/useSheet';

/** In milliseconds. */
const EVERY = 30_000;

export type SinceChange = Schemas['SinceChange'];

/** What others did in these days since one looked; of a sheet of people, or that one looks at as somebody else, nothing is told. */
export function useSince(through: Through, span: Span, enabled: boolean) {
    return useQuery({
        queryKey: queryKeys.since(through, span),
        queryFn: ({ signal }) => answered(api.GET('/sheet/since', { params: { query: windowQuery(through, span) }, signal })),
        refetchInterval: EVERY,
        placeholderData: sameThrough(through),
        enabled: enabled && through.as === undefined && through.of === undefined,
    });
}

export function useSeenAll() {
    const client = useQueryClient();
    return useMutation({
        mutationFn: () => answered(api.PUT('/visit')),
        onSuccess: () => client.invalidateQueries({ queryKey: queryKeys.sinces }),
    });
}
