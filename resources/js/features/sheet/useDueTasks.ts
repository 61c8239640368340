import { useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useRota } from './RotaContext';
import type { Span } from './useSheet';
import { addDays, daysBetween } from '@/time/dates';

export type DueTask = Schemas['DueTask'];

/** What was to be done longer ago than this is not asked after any more. */
const OVERDUE_DAYS = 60;

const MOST_DAYS = 400;

/** What one has to prepare oneself, by the day in a list on which it stands: what is overdue, today. */
export function useDueTasks(span: Span): Map<string, DueTask[]> {
    const { zone, today, search } = useRota();
    const from = span.from <= today && today < span.to ? addDays(today, -OVERDUE_DAYS) : span.from;
    const first = from < span.from ? from : span.from;
    const to = daysBetween(first, span.to) > MOST_DAYS ? addDays(first, MOST_DAYS) : span.to;
    const tasks = useQuery({
        queryKey: queryKeys.dueTasks(first, to, zone),
        queryFn: ({ signal }) => answered(api.GET('/tasks', { params: { query: { from: first, to, tz: zone } }, signal })),
        // What has to be prepared may be of an event long after.
        meta: { days: { from: first } },
        // Whoever looks as somebody else has nothing to prepare there.
        enabled: search.as === undefined,
    });
    const days = new Map<string, DueTask[]>();
    for (const task of search.as === undefined ? (tasks.data ?? []) : []) {
        const overdue = task.due < today && !task.done;
        const day = overdue && span.from <= today && today < span.to ? today : task.due;
        // On the list of one calendar stands what is of it.
        if (day < span.from || day >= span.to || (search.calendar !== undefined && task.calendar !== search.calendar)) continue;
        days.set(day, [...(days.get(day) ?? []), task]);
    }
    return days;
}
