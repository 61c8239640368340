import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { answered, api } from '@/api/client';
import { topicOfChange } from '@/api/marks';
import { queryKeys, type Topic } from '@/api/queryKeys';
import { fetchAnew } from '@/api/useAction';

const EVERY = 3000;

/** Watches the marks of what changes, and asks anew for what others have changed of what is on screen. */
export function useChanges(): void {
    const client = useQueryClient();
    const { data } = useQuery({
        queryKey: queryKeys.changes,
        queryFn: ({ signal }) => answered(api.GET('/changes', { signal })),
        refetchInterval: EVERY,
        retry: false,
    });
    const fetching = useRef(false);
    const waiting = useRef<Topic | null>(null);
    useEffect(() => {
        const topic = data === undefined ? null : topicOfChange(data);
        if (topic === null) return;
        if (waiting.current !== 'access') waiting.current = topic;
        const fetchWaiting = async () => {
            if (fetching.current) return;
            fetching.current = true;
            // What is under way is waited for, never begun anew: where others change things all the time and the way to
            // the server is slow, nothing would ever arrive otherwise.
            while (waiting.current !== null) {
                const next = waiting.current;
                waiting.current = null;
                await fetchAnew(client, next);
            }
            fetching.current = false;
        };
        void fetchWaiting();
    }, [client, data]);
}
