import { queryOptions } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { addDays, addMinutes } from '@/time/dates';
import { namedOf } from '@/features/participants/participants';
import type { InView } from '@/features/sheet/inView';
import type { Beginning } from '@/features/sheet/RotaContext';

export type UnderstoodLine = Schemas['UnderstoodLine'];

/** A line as it was asked about: whatever of it changes asks for another answer. */
export type AskedLine = { text: string; zone: string; plain: readonly string[]; span: NonNullable<UnderstoodLine['span']>; view: InView };

/** What one line means as an event, told by the server. */
export const lineQuery = ({ text, zone, plain, span, view }: AskedLine) =>
    queryOptions({
        queryKey: queryKeys.line(text, zone, plain, span, view),
        queryFn: ({ signal }) => answered(api.GET('/line', { params: { query: { line: text, tz: zone, 'plain[]': [...plain], span, overlay: view.overlay, through: view.through, 'hidden[]': [...view.hidden] } }, signal })),
        staleTime: 10_000,
    });

/** What there is with some words, and the date that they may be. */
export const findQuery = (text: string, zone: string) =>
    queryOptions({
        queryKey: queryKeys.find(text, zone),
        queryFn: ({ signal }) => answered(api.GET('/find', { params: { query: { q: text, tz: zone } }, signal })),
        staleTime: 10_000,
    });

/** Whether it is to be put right before anything is added. */
export function isBlocked(line: UnderstoodLine): boolean {
    return line.doubts.some((doubt) => doubt.blocks);
}

/** The event that a line means, on a calendar; null where something is still to be said. */
export function inputOfLine(line: UnderstoodLine, calendar: string, description: string): Schemas['EventInput'] | null {
    if (line.title === '' || line.start === null || isBlocked(line)) return null;
    const { title, allDay, start, end, place, categories, status, repeat } = line;
    return { calendar, title, allDay, start, end, place, categories, status, description, private: line.private, participants: namedOf(line.participants), repeat: repeat === null ? null : { rule: repeat.rule, until: repeat.until, count: repeat.count, within: repeat.within } };
}

/** The same, to be gone on with in the form. */
export function beginningOfLine(line: UnderstoodLine, calendar: string | null, day: string, description: string): Beginning {
    const start = line.start ?? `${day}T09:00`;
    return {
        calendar, title: line.title, allDay: line.allDay, start, end: line.end ?? (line.allDay ? addDays(start, 1) : addMinutes(start, 60)),
        place: line.place, categories: line.categories, participants: line.participants, status: line.status, private: line.private, repeat: line.repeat, description,
    };
}
