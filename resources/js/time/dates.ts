import { WEEKDAYS } from '@/api/generated/words';
import { Temporal } from './temporal';

/** Milliseconds since 1970, now. */
export function epochNow(): number {
    return Temporal.Now.instant().epochMilliseconds;
}

/** Dates are ISO text (`2026-11-02`) wherever they are stored or sent; wall times are `2026-11-02T09:30`. */

export const browserZone = Temporal.Now.timeZoneId();

/** `2026-11-02T09:30` of a clock in the zone. */
export function wallNow(zone: string): string {
    return Temporal.Now.plainDateTimeISO(zone).toString({ smallestUnit: 'minute' });
}

/** A sheet asks the same few dates thousands of times: what was reckoned once is kept. */
const MOST_KEPT = 5000;

function kept<Value>(reckon: (key: string) => Value): (key: string) => Value {
    const known = new Map<string, Value>();
    return (key) => {
        const found = known.get(key);
        if (found !== undefined) return found;
        if (known.size >= MOST_KEPT) known.clear();
        const value = reckon(key);
        known.set(key, value);
        return value;
    };
}

const EPOCH = Temporal.PlainDate.from('1970-01-01');

/** The number of a day, counted from 1970-01-01; of a wall time, of its day. */
const dayNumber = kept((date) => EPOCH.until(Temporal.PlainDate.from(date)).days);
const dateOf = kept((number) => EPOCH.add({ days: Number(number) }).toString());

export function addDays(date: string, days: number): string {
    return dateOf(String(dayNumber(date.slice(0, 10)) + days));
}

export function addMonths(date: string, months: number): string {
    return Temporal.PlainDate.from(date).add({ months }).toString();
}

/** Whole days from one date to another. */
export function daysBetween(from: string, to: string): number {
    return dayNumber(to.slice(0, 10)) - dayNumber(from.slice(0, 10));
}

export type FirstDay = (typeof WEEKDAYS)[number];

/** The Monday, or whatever day weeks begin on, on or before a date. */
export function startOfWeek(date: string, firstDay: FirstDay = 'MO'): string {
    const plain = Temporal.PlainDate.from(date);
    return plain.subtract({ days: (plain.dayOfWeek - 1 - WEEKDAYS.indexOf(firstDay) + 7) % 7 }).toString();
}

export function startOfMonth(date: string): string {
    return `${date.slice(0, 7)}-01`;
}

export function isWeekend(date: string): boolean {
    return weekday(date) > 4;
}

export function weekNumber(date: string): number {
    return Temporal.PlainDate.from(date).weekOfYear ?? 0;
}

/** 0 is Monday. */
export function weekday(date: string): number {
    return (((dayNumber(date) + 3) % 7) + 7) % 7;
}

export function isDate(text: unknown): text is string {
    if (typeof text !== 'string' || !/^\d{4}-\d\d-\d\d$/.test(text)) return false;
    try {
        Temporal.PlainDate.from(text, { overflow: 'reject' });
        return true;
    } catch {
        return false;
    }
}

export function daysFrom(first: string, count: number): string[] {
    return Array.from({ length: count }, (_, index) => addDays(first, index));
}

type Style = 'weekday' | 'weekdayDay' | 'long' | 'short' | 'month' | 'monthYear' | 'day';

const STYLES: Record<Style, Intl.DateTimeFormatOptions> = {
    weekday: { weekday: 'short' },
    weekdayDay: { weekday: 'short', day: 'numeric', month: 'short' },
    long: { weekday: 'long', day: 'numeric', month: 'long' },
    short: { day: 'numeric', month: 'short' },
    month: { month: 'long' },
    monthYear: { month: 'long', year: 'numeric' },
    day: { day: 'numeric' },
};

const DAY_MS = 86_400_000;

/** A formatter is made once: each takes a hundred times as long to make as to use. */
const FORMATS = Object.fromEntries(Object.entries(STYLES).map(([style, options]) => [style, new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' })])) as Record<Style, Intl.DateTimeFormat>;

const formatted = kept((key) => {
    const [date = '', style = ''] = key.split(' ');
    return FORMATS[style as Style].format(dayNumber(date) * DAY_MS);
});

export function formatDate(date: string, style: Style): string {
    return formatted(`${date.slice(0, 10)} ${style}`);
}

/** `9:30` of `2026-11-02T09:30`. */
export function timeOfDay(wall: string): string {
    return wall.slice(11, 16).replace(/^0/, '');
}

/** The year that begins on a day: `2026`, or `2026/27` where that is not in January. */
export function formatYear(from: string): string {
    const year = Number(from.slice(0, 4));
    return from.slice(5, 7) === '01' ? String(year) : `${year}/${String((year + 1) % 100).padStart(2, '0')}`;
}

/** `2 – 15 November`, over months and years as needed; both ends included. */
export function formatSpan(first: string, last: string): string {
    const sameMonth = first.slice(0, 7) === last.slice(0, 7);
    const from = sameMonth ? formatDate(first, 'day') : formatDate(first, 'short');
    const to = sameMonth ? `${formatDate(last, 'day')} ${formatDate(last, 'month')}` : formatDate(last, 'short');
    return `${from} – ${to}`;
}

/** When an event is, in words: its end is exclusive. */
export function formatWhen(event: { start: string; end: string; allDay: boolean }): string {
    if (event.allDay) {
        const last = addDays(event.end, -1);
        return last <= event.start
            ? `${formatDate(event.start, 'long')}, all day`
            : `${formatDate(event.start, 'weekdayDay')} to ${formatDate(last, 'weekdayDay')}`;
    }
    const sameDay = event.start.slice(0, 10) === event.end.slice(0, 10);
    if (event.start === event.end) return `${formatDate(event.start, 'long')}, ${timeOfDay(event.start)}`;
    return sameDay
        ? `${formatDate(event.start, 'long')}, ${timeOfDay(event.start)}–${timeOfDay(event.end)}`
        : `${formatDate(event.start, 'weekdayDay')}, ${timeOfDay(event.start)} to ${formatDate(event.end, 'weekdayDay')}, ${timeOfDay(event.end)}`;
}

/** `Thu 26 Nov 2026` */
export function formatFull(date: string): string {
    return `${formatDate(date, 'weekdayDay')} ${date.slice(0, 4)}`;
}

/** When an event begins, in few words: `Thu 26 Nov 13:30`. */
export function formatStart({ start, allDay }: { start: string; allDay: boolean }): string {
    return formatDate(start, 'weekdayDay') + (allDay ? '' : ` ${timeOfDay(start)}`);
}

/** When an event is on the wall of another zone, of one whose moments the server tells (UTC). */
export function formatInstants({ startsAt, endsAt }: { startsAt: string | null; endsAt: string | null }, zone: string): string {
    if (startsAt === null || endsAt === null) return '';
    const wall = (instant: string) => Temporal.Instant.from(instant).toZonedDateTimeISO(zone).toPlainDateTime().toString({ smallestUnit: 'minute' });
    return formatWhen({ start: wall(startsAt), end: wall(endsAt), allDay: false });
}

/** ` (2027)`, to be put behind a day that is in another year than this one. */
export function otherYear(start: string): string {
    const year = start.slice(0, 4);
    return year === wallNow(browserZone).slice(0, 4) ? '' : ` (${year})`;
}

/** A moment told by the server (UTC), in the words of the reader's own clock. */
export function formatMoment(instant: string): string {
    return Temporal.Instant.from(instant)
        .toZonedDateTimeISO(browserZone)
        .toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
}

export function addMinutes(wall: string, minutes: number): string {
    return Temporal.PlainDateTime.from(wall).add({ minutes }).toString({ smallestUnit: 'minute' });
}

export function minutesBetween(from: string, to: string): number {
    return daysBetween(from, to) * 24 * 60 + minuteOfDay(to) - minuteOfDay(from);
}

function minuteOfDay(wall: string): number {
    return Number(wall.slice(11, 13)) * 60 + Number(wall.slice(14, 16));
}
