import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';

/** Whom to ask about a calendar, and what one has asked for already. */
export function useManagers(slug: string, enabled = true) {
    return useQuery({ queryKey: queryKeys.managers(slug), queryFn: ({ signal }) => answered(api.GET('/calendars/{slug}/managers', { params: { path: { slug } }, signal })), enabled });
}

export function useSharing(slug: string) {
    return useQuery({ queryKey: queryKeys.sharing(slug), queryFn: ({ signal }) => answered(api.GET('/calendars/{slug}/grants', { params: { path: { slug } }, signal })) });
}

/** What people can see of a calendar, and why. */
export function useReach(slug: string, words: string, person?: number) {
    return useQuery({
        queryKey: queryKeys.reach(slug, words, person),
        queryFn: ({ signal }) => answered(api.GET('/calendars/{slug}/people', { params: { path: { slug }, query: { q: words, person } }, signal })),
        placeholderData: keepPreviousData,
    });
}
