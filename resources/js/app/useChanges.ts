import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { answered, api } from '@/api/client';

const EVERY = 3000;

/** Watches the change counter and fetches anew what is on screen when others have changed something. */
export function useChanges(): void {
    const client = useQueryClient();
    const { data } = useQuery({
        queryKey: ['changes'],
        queryFn: ({ signal }) => answered(api.GET('/changes', { signal })),
        refetchInterval: EVERY,
        retry: false,
    });
    const seen = useRef<string | undefined>(undefined);
    const fetching = useRef(false);
    const again = useRef(false);
    useEffect(() => {
        const fetchAnew = async () => {
            again.current = true;
            if (fetching.current) return;
            fetching.current = true;
            // What is under way is waited for, never begun anew: where others change things all the time and the way to
            // the server is slow, nothing would ever arrive otherwise.
            while (again.current) {
                again.current = false;
                await client.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'changes' && query.queryKey[0] !== 'session' });
            }
            fetching.current = false;
        };
        if (data === undefined) return;
        if (seen.current !== undefined && seen.current !== data.mark) void fetchAnew();
        seen.current = data.mark;
    }, [client, data]);
}
