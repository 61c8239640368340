import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import type { Grouping } from './rotaSearch';
import { addDays, daysBetween } from '@/time/dates';

export type Sheet = Schemas['Sheet'];
export type Span = { from: string; to: string };

/** Through what it is looked, and what of it is asked for. */
export type Through = {
    overlay: string;
    calendar: string | undefined;
    of: string | undefined;
    as: number | undefined;
    zone: string;
    categories: string[];
    words: string | undefined;
    people: number[];
    group: Grouping;
};

/** As the API is asked for whatever is told of a window. */
export function windowQuery({ overlay, calendar, of, as, zone, categories, words, people }: Through, { from, to }: Span) {
    return { from, to, tz: zone, of, overlay: of !== undefined || calendar !== undefined || overlay === 'all' ? undefined : overlay, calendar, as, 'categories[]': categories, words, 'people[]': people };
}

function sheetQuery(through: Through, span: Span) {
    return { ...windowQuery(through, span), ...(through.group === 'layer' ? {} : { group: through.group }) };
}

/** What was asked before stands in for what is asked now, as long as it is looked through the same; never another's events under a name. */
export function sameThrough({ overlay, calendar, of, as }: Through) {
    return <Answer>(previous: Answer | undefined, asked: { queryKey: readonly unknown[] } | undefined): Answer | undefined => {
        const before = asked?.queryKey.find((each) => (each as Through | null)?.overlay !== undefined) as Through | undefined;
        return before?.overlay === overlay && before.calendar === calendar && before.of === of && before.as === as ? previous : undefined;
    };
}

export function useSheet(through: Through, span: Span, enabled: boolean) {
    return useQuery({
        queryKey: queryKeys.sheet(through, span),
        queryFn: ({ signal }) => answered(api.GET('/sheet', { params: { query: sheetQuery(through, span) }, signal })),
        meta: { days: span },
        placeholderData: sameThrough(through),
        enabled,
    });
}

export function useRuler(through: Through, span: Span, enabled: boolean) {
    return useQuery({
        queryKey: queryKeys.ruler(through, span),
        queryFn: ({ signal }) => answered(api.GET('/ruler', { params: { query: windowQuery(through, span) }, signal })),
        meta: { days: span },
        placeholderData: sameThrough(through),
        enabled,
    });
}

const nextDays = (days: number) => Math.min(days * 2, 180);

/** How many days so many sheets of an endless list are together. */
export function listDays(first: number, pages: number): number {
    return pages <= 1 ? first : first + listDays(nextDays(first), pages - 1);
}

/** How many days at the end of an endless list have nothing, by whether each sheet of it has something. */
export function quietDays(first: number, pages: boolean[]): number {
    const days = (sheets: number) => (sheets === 0 ? 0 : listDays(first, sheets));
    return days(pages.length) - days(pages.lastIndexOf(true) + 1);
}

/** Sheets one after the other, without end: a list goes on as it is read. */
export function useEndlessSheet(through: Through, span: Span) {
    return useInfiniteQuery({
        queryKey: queryKeys.endlessSheet(through, span),
        meta: { days: { from: span.from } },
        initialPageParam: span,
        queryFn: ({ signal, pageParam }) => answered(api.GET('/sheet', { params: { query: sheetQuery(through, pageParam) }, signal })),
        getNextPageParam: (_, __, { to, from }) => ({ from: to, to: addDays(to, nextDays(daysBetween(from, to))) }),
        placeholderData: sameThrough(through),
    });
}
