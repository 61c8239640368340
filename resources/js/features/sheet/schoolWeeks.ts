import type { Schemas } from '@/api/client';
import { addDays, startOfWeek, weekNumber } from '@/time/dates';
import type { Span } from './useSheet';

export type SchoolWeek = Schemas['SchoolWeek'];

/** Weeks of school by the day they begin on. */
export function byMonday(weeks: readonly SchoolWeek[] | undefined): ReadonlyMap<string, SchoolWeek> {
    return new Map(weeks?.map((week) => [week.monday, week]));
}

/** What the week of a day is called by the school; undefined where it is in no term. */
export function schoolWeekOf(weeks: ReadonlyMap<string, SchoolWeek>, day: string): SchoolWeek | undefined {
    return weeks.get(startOfWeek(day, 'MO'));
}

/** The weeks of a stretch of days: as the school calls them, and as the year counts them (ISO 8601). */
export function weeksWords(all: readonly SchoolWeek[] | undefined, { from, to }: Span): string {
    const last = addDays(to, -1);
    const [first, end] = [weekNumber(from), weekNumber(last)];
    const counted = first === end ? `week ${first}` : `weeks ${first} to ${end}`;
    const within = (all ?? []).filter(({ monday }) => monday <= last && addDays(monday, 6) >= from);
    const school = within.filter(({ number }) => number !== null);
    const [one] = school.length > 0 ? school : within;
    const other = school.at(-1) ?? one;
    if (one === undefined || other === undefined) return counted;
    if (one === other) return `${one.name} · ${counted}`;
    return one.term === other.term ? `${one.term}, weeks ${one.number} to ${other.number} · ${counted}` : `${one.term}, week ${one.number} to ${other.term}, week ${other.number}`;
}
