import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api } from '@/api/client';

const EVERY = 3000;

/** Watches the change counter and fetches anew what is on screen when others have changed something. */
export function useChanges(): void {
    const client = useQueryClient();
    const { data } = useQuery({
        queryKey: ['changes'],
        queryFn: ({ signal }) => api<{ mark: string }>('GET', '/changes', { signal }),
        refetchInterval: EVERY,
        retry: false,
    });
    const seen = useRef<string | undefined>(undefined);
    useEffect(() => {
        if (data === undefined) return;
        if (seen.current !== undefined && seen.current !== data.mark) {
            void client.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'changes' && query.queryKey[0] !== 'session' });
        }
        seen.current = data.mark;
    }, [client, data]);
}
