import type { Schemas } from '@/api/client';
import { REPEAT_UNITS, WEEKDAYS } from '@/api/generated/words';
import { addDays, weekday } from '@/time/dates';

type Pick = Schemas['RepeatPick'];

/** The plain units, a rule that is written out, and days that are chosen one by one. */
export const UNITS = [...REPEAT_UNITS, 'rule', 'dates'] as const;

export type Unit = (typeof UNITS)[number];

/** What the form offers of a rule: what is picked, or what is written out. */
export type RepeatPick = Omit<Pick, 'unit'> & { unit: Unit; ruleText: string };

/** All that a form holds of how something repeats, with the day on which it begins. */
export type RepeatValues = RepeatPick & {
    startDate: string;
    repeats: boolean;
    ends: 'never' | 'until' | 'count';
    until: string;
    count: number;
    skipped: string[];
    extra: string[];
    /** The weeks of school to which it is kept. */
    within: Schemas['Repeat']['within'];
    /** Whether the dates left out and added were changed here; else they move along with the start. */
    datesTouched: boolean;
};

/** Which of its weekdays a date is in its month, from 1. */
export function ordinalOf(date: string): number {
    return Math.ceil(Number(date.slice(8, 10)) / 7);
}

/** Whether a date is the last of its weekdays in its month. */
export function isLastOf(date: string): boolean {
    return addDays(date, 7).slice(0, 7) !== date.slice(0, 7);
}

/** What a form begins with: what was told of a repeat, or every week on the day of the start. */
export function pickOf(told: { rule: string | null; pick: Pick | null } | null, start: string): RepeatPick {
    const own: RepeatPick = { unit: 'week', interval: 1, weekdays: [WEEKDAYS[weekday(start)] ?? 'MO'], monthBy: 'date', ruleText: told?.rule ?? '' };
    if (told === null) return own;
    return { ...own, ...(told.pick ?? { unit: told.rule === null ? 'dates' : 'rule' }) };
}

/** Which rule is meant, as an input says it: as it was picked, or as it is written; nothing where days are chosen one by one. */
export function ruleInputOf({ unit, interval, weekdays, monthBy, ruleText }: RepeatPick): Schemas['RepeatInput'] {
    if (unit === 'dates') return {};
    if (unit === 'rule') return { rule: ruleText.trim().replace(/^RRULE:/i, '') };
    return { pick: { unit, interval, weekdays: unit === 'week' ? WEEKDAYS.filter((each) => weekdays.includes(each)) : [], monthBy: unit === 'month' ? monthBy : 'date' } };
}
