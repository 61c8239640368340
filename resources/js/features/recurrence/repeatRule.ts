import { addDays, weekday } from '@/time/dates';
import { WEEKDAYS, type Weekday } from './weekdays';

/** The plain units, a rule that is written out, and days that are chosen one by one. */
export const UNITS = ['day', 'week', 'month', 'year', 'rule', 'dates'] as const;

export type Unit = (typeof UNITS)[number];

/** How a month is counted: by its date, by which of its weekdays it is, by the last of them, or by its last day. */
export const MONTH_BYS = ['date', 'weekday', 'last weekday', 'last day'] as const;

export type MonthBy = (typeof MONTH_BYS)[number];

/** What the form offers of a rule. */
export type RepeatPick = { unit: Unit; interval: number; weekdays: Weekday[]; monthBy: MonthBy; ruleText: string };

/** All that a form holds of how something repeats, with the day on which it begins. */
export type RepeatValues = RepeatPick & {
    startDate: string;
    repeats: boolean;
    ends: 'never' | 'until' | 'count';
    until: string;
    count: number;
    skipped: string[];
    extra: string[];
    /** Whether the dates left out and added were changed here; else they move along with the start. */
    datesTouched: boolean;
};

const FREQUENCIES = { day: 'DAILY', week: 'WEEKLY', month: 'MONTHLY', year: 'YEARLY' } as const;

/** Which of its weekdays a date is in its month, from 1. */
export function ordinalOf(date: string): number {
    return Math.ceil(Number(date.slice(8, 10)) / 7);
}

/** Whether a date is the last of its weekdays in its month. */
export function isLastOf(date: string): boolean {
    return addDays(date, 7).slice(0, 7) !== date.slice(0, 7);
}

/** The rule (RFC 5545, 3.3.10) of what was picked, for a series that starts on a date; null where days are chosen one by one. */
export function ruleOf({ unit, interval, weekdays, monthBy, ruleText }: RepeatPick, start: string): string | null {
    if (unit === 'dates') return null;
    if (unit === 'rule') return ruleText.trim().replace(/^RRULE:/i, '');
    const parts = [`FREQ=${FREQUENCIES[unit]}`];
    if (interval > 1) parts.push(`INTERVAL=${interval}`);
    const day = WEEKDAYS[weekday(start)] ?? 'MO';
    if (unit === 'week') parts.push(`BYDAY=${WEEKDAYS.filter((each) => weekdays.includes(each)).join(',')}`);
    if (unit === 'month' && monthBy === 'weekday') parts.push(`BYDAY=${ordinalOf(start)}${day}`);
    if (unit === 'month' && monthBy === 'last weekday') parts.push(`BYDAY=-1${day}`);
    if (unit === 'month' && monthBy === 'last day') parts.push('BYMONTHDAY=-1');
    return parts.join(';');
}

/** What was picked to make a rule: what there are no fields for is written out. */
export function pickOf(rule: string, start: string): RepeatPick {
    const parts = new Map(rule.split(';').map((part) => part.split('=') as [string, string]));
    const unit = (['day', 'week', 'month', 'year'] as const).find((each) => FREQUENCIES[each] === parts.get('FREQ'));
    const own = WEEKDAYS[weekday(start)] ?? 'MO';
    const plain: RepeatPick = { unit: 'rule', interval: 1, weekdays: [own], monthBy: 'date', ruleText: rule };
    if (unit === undefined) return plain;
    const weekdays = unit === 'week' ? ((parts.get('BYDAY') ?? own).split(',') as Weekday[]) : [own];
    for (const monthBy of MONTH_BYS) {
        const pick: RepeatPick = { unit, interval: Number(parts.get('INTERVAL') ?? 1), weekdays, monthBy, ruleText: rule };
        if (unit !== 'month' && monthBy !== 'date') break;
        const made = ruleOf(pick, start);
        if (made === rule || (unit === 'week' && made?.replace(/;BYDAY=.*/, '') === rule)) return pick;
    }
    return plain;
}
