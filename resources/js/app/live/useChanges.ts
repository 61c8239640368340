import { hashKey, useQueryClient } from '@tanstack/react-query';
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
        const watching = watchChanges({ ask, changed: rereading(client) });
        // Who was signed out is told nothing, and all of it from the moment at which they are in again.
        const sessions = client.getQueryCache().subscribe((event) => {
            if (event.type === 'updated' && event.action.type === 'success' && hashKey(event.query.queryKey as readonly unknown[]) === hashKey(queryKeys.session)) watching.again();
        });
        return () => {
            sessions();
            watching.stop();
        };
    }, [client]);
}
