import { addDays, weekday } from '@/time/dates';
import { WEEKDAYS, type Weekday } from './weekdays';

export const UNITS = ['day', 'week', 'month', 'year'] as const;

export type Unit = (typeof UNITS)[number];

/** How a month is counted: by its date, by which of its weekdays it is, by the last of them, or by its last day. */
export const MONTH_BYS = ['date', 'weekday', 'last weekday', 'last day'] as const;

export type MonthBy = (typeof MONTH_BYS)[number];

/** What the form offers of a rule. */
export type RepeatPick = { unit: Unit; interval: number; weekdays: Weekday[]; monthBy: MonthBy };

const FREQUENCIES: Record<Unit, string> = { day: 'DAILY', week: 'WEEKLY', month: 'MONTHLY', year: 'YEARLY' };

/** Which of its weekdays a date is in its month, from 1. */
export function ordinalOf(date: string): number {
    return Math.ceil(Number(date.slice(8, 10)) / 7);
}

/** Whether a date is the last of its weekdays in its month. */
export function isLastOf(date: string): boolean {
    return addDays(date, 7).slice(0, 7) !== date.slice(0, 7);
}

/** The rule (RFC 5545, 3.3.10) of what was picked, for a series that starts on a date. */
export function ruleOf({ unit, interval, weekdays, monthBy }: RepeatPick, start: string): string {
    const parts = [`FREQ=${FREQUENCIES[unit]}`];
    if (interval > 1) parts.push(`INTERVAL=${interval}`);
    const day = WEEKDAYS[weekday(start)] ?? 'MO';
    if (unit === 'week') parts.push(`BYDAY=${WEEKDAYS.filter((each) => weekdays.includes(each)).join(',')}`);
    if (unit === 'month' && monthBy === 'weekday') parts.push(`BYDAY=${ordinalOf(start)}${day}`);
    if (unit === 'month' && monthBy === 'last weekday') parts.push(`BYDAY=-1${day}`);
    if (unit === 'month' && monthBy === 'last day') parts.push('BYMONTHDAY=-1');
    return parts.join(';');
}

/** What was picked to make a rule; null where the form has no fields for it, so that it is kept as it is. */
export function pickOf(rule: string, start: string): RepeatPick | null {
    const parts = new Map(rule.split(';').map((part) => part.split('=') as [string, string]));
    const unit = UNITS.find((each) => FREQUENCIES[each] === parts.get('FREQ'));
    if (unit === undefined) return null;
    const interval = Number(parts.get('INTERVAL') ?? 1);
    const own = WEEKDAYS[weekday(start)] ?? 'MO';
    const weekdays = unit === 'week' ? ((parts.get('BYDAY') ?? own).split(',') as Weekday[]) : [own];
    for (const monthBy of MONTH_BYS) {
        const pick: RepeatPick = { unit, interval, weekdays, monthBy };
        if (unit !== 'month' && monthBy !== 'date') break;
        const made = ruleOf(pick, start);
        if (made === rule || (unit === 'week' && made.replace(/;BYDAY=.*/, '') === rule)) return pick;
    }
    return null;
}
