import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, type Schemas } from '@/api/client';

/** Whom to ask about a calendar, and what one has asked for already. */
export function useManagers(slug: string, enabled = true) {
    return useQuery({ queryKey: ['managers', slug], queryFn: ({ signal }) => api<Schemas['Managers']>('GET', `/calendars/${slug}/managers`, { signal }), enabled });
}

export function useSharing(slug: string) {
    return useQuery({ queryKey: ['sharing', slug], queryFn: ({ signal }) => api<Schemas['Sharing']>('GET', `/calendars/${slug}/grants`, { signal }) });
}

/** What people can see of a calendar, and why. */
export function useReach(slug: string, words: string, person?: number) {
    return useQuery({
        queryKey: ['reach', slug, words, person],
        queryFn: ({ signal }) => api<Schemas['ReachOfPeople']>('GET', `/calendars/${slug}/people`, { query: { q: words, person: person?.toString() }, signal }),
        placeholderData: keepPreviousData,
    });
}
