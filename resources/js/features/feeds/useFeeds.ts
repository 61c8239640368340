import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { api, type Schemas } from '@/api/client';

export type Feed = Schemas['Feed'];

export function useFeeds() {
    return useQuery({ queryKey: ['feeds'], queryFn: ({ signal }) => api<Feed[]>('GET', '/feeds', { signal }) });
}

export function useFeedActions() {
    const client = useQueryClient();
    const refresh = () => client.invalidateQueries({ queryKey: ['feeds'] });
    const create = useMutation({
        mutationFn: ({ calendar, input }: { calendar: string; input: Schemas['FeedInput'] }) => api<Schemas['NewFeed']>('POST', `/calendars/${calendar}/feeds`, { body: input }),
        onSuccess: refresh,
    });
    const revoke = useMutation({
        mutationFn: (feed: Feed) => api<void>('DELETE', `/feeds/${feed.id}`),
        onSuccess: async (_, feed) => {
            await refresh();
            toast(`The link for “${feed.name}” is revoked. All others go on.`);
        },
    });
    return { create, revoke };
}
