import { useQuery } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';

export type Feed = Schemas['Feed'];
export type FeedInput = Schemas['FeedInput'];

/** What a feed link is of; of a list it is all that its maker has on theirs. */
export type FeedOf = Pick<Feed, 'of' | 'slug'>;

export function useFeeds() {
    return useQuery({ queryKey: queryKeys.feeds, queryFn: ({ signal }) => answered(api.GET('/feeds', { signal })) });
}

/** For a reader or a place, by those who manage what it is of. */
export function useFeedForOthers({ of, slug }: FeedOf) {
    const at = { params: { path: { slug } } };
    return useAction((input: FeedInput) => answered(of === 'overlay' ? api.POST('/overlays/{slug}/feeds', { ...at, body: input }) : api.POST('/calendars/{slug}/feeds', { ...at, body: input })), { quiet: true });
}

/** For one's own devices. */
export function usePersonalFeed({ of, slug }: FeedOf) {
    return useAction((input: FeedInput) => answered(api.POST('/feeds', { body: { ...input, ...(of === 'list' ? {} : { [of]: slug }) } })));
}

export function useFeedChange(feed: Feed, onDone: () => void) {
    return useAction((input: FeedInput) => answered(api.PUT('/feeds/{id}', { params: { path: { id: feed.id } }, body: input })), { quiet: true, onDone });
}

export function useRevocation(feed: Feed) {
    return useAction(() => answered(api.DELETE('/feeds/{id}', { params: { path: { id: feed.id } } })), {
        onDone: () => void toast(`The link for “${feed.name}” is revoked. All others go on.`),
    });
}
