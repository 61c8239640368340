import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';

export type Feed = Schemas['Feed'];

export function useFeeds() {
    return useQuery({ queryKey: queryKeys.feeds, queryFn: ({ signal }) => answered(api.GET('/feeds', { signal })) });
}

export function useFeedActions() {
    const client = useQueryClient();
    const refresh = () => client.invalidateQueries({ queryKey: queryKeys.feeds });
    const create = useMutation({
        mutationFn: ({ calendar, input }: { calendar: string; input: Schemas['FeedInput'] }) => answered(api.POST('/calendars/{slug}/feeds', { params: { path: { slug: calendar } }, body: input })),
        onSuccess: refresh,
    });
    const revoke = useMutation({
        mutationFn: (feed: Feed) => answered(api.DELETE('/feeds/{id}', { params: { path: { id: feed.id } } })),
        onSuccess: async (_, feed) => {
            await refresh();
            toast(`The link for “${feed.name}” is revoked. All others go on.`);
        },
    });
    return { create, revoke };
}
