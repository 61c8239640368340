import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { addDays, addMinutes } from '@/time/dates';
import { knownOf } from '@/features/participants/participants';
import type { Beginning } from '@/features/sheet/RotaContext';

export type UnderstoodLine = Schemas['UnderstoodLine'];

/** What one line means as an event, told by the server as it is typed. */
export function useLine(line: string, zone: string, plain: string[], enabled: boolean) {
    return useQuery({
        queryKey: queryKeys.line(line, zone, plain),
        queryFn: ({ signal }) => answered(api.GET('/line', { params: { query: { line, tz: zone, 'plain[]': plain } }, signal })),
        placeholderData: keepPreviousData,
        enabled: enabled && line !== '',
    });
}

/** The event that a line means, on a calendar: on the day in view where it says none. */
export function inputOfLine(line: UnderstoodLine, calendar: string): Schemas['EventInput'] | null {
    if (line.title === '' || line.start === null) return null;
    const { title, allDay, start, end, place, categories, status, repeat } = line;
    return { calendar, title, allDay, start, end, place, categories, status, private: line.private, participants: knownOf(line.participants), repeat: repeat === null ? null : { rule: repeat.rule, until: repeat.until, count: repeat.count } };
}

/** The same, to be gone on with in the form. */
export function beginningOfLine(line: UnderstoodLine, calendar: string | null, day: string): Beginning {
    const start = line.start ?? `${day}T09:00`;
    return {
        calendar, title: line.title, allDay: line.allDay, start, end: line.end ?? (line.allDay ? addDays(start, 1) : addMinutes(start, 60)),
        place: line.place, categories: line.categories, participants: line.participants, status: line.status, private: line.private, repeat: line.repeat,
    };
}
