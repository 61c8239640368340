import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { rereading } from './rereading';
import { watchChanges } from './watchChanges';

/** Keeps what is on screen as others leave it. */
export function useChanges(): void {
    const client = useQueryClient();
    useEffect(() => {
        const ask = (since: string | undefined) =>
            client.fetchQuery({ queryKey: queryKeys.changes, queryFn: ({ signal }) => answered(api.GET('/changes', { params: { query: { since } }, signal })), staleTime: 0, retry: false });
        return watchChanges({ ask, changed: rereading(client) });
    }, [client]);
}
