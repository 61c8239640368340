import { useSyncExternalStore } from 'react';
import { addDays, addMonths, daysBetween, startOfMonth, startOfWeek, type FirstDay } from '@/time/dates';
import type { Period, View } from '@/features/sheet/rotaSearch';
import type { Span } from '@/features/sheet/useSheet';

/** How many days a list begins with; it goes on as it is read. */
const LIST_DAYS = 28;

/** How many months a table looks on; all is as many days as the server tells at once. */
const MONTHS = { month: 1, half: 6, year: 12 } as const;
const ALL_DAYS = 1200;

/** How many days lanes show side by side where nothing else is asked for: as many as can be read. */
export function useLaneDays(): 3 | 7 | 14 {
    return useSyncExternalStore(
        (changed) => {
            window.addEventListener('resize', changed);
            return () => window.removeEventListener('resize', changed);
        },
        () => (window.innerWidth < 640 ? 3 : window.innerWidth < 1000 ? 7 : 14),
    );
}

/** @param firstMonth in which the year begins, from 1 */
function startOfYear(date: string, firstMonth: number): string {
    const month = String(firstMonth).padStart(2, '0');
    return date.slice(5, 7) < month ? addMonths(`${date.slice(0, 4)}-${month}-01`, -12) : `${date.slice(0, 4)}-${month}-01`;
}

/** The days that a view draws, and those it is about. */
export function windowOf(view: View, date: string, laneDays: number, firstDay: FirstDay = 'MO', period: Period = 'half', firstMonth = 1): { span: Span; focus: Span } {
    if (view === 'lanes') {
        const from = laneDays < 7 ? date : startOfWeek(date, firstDay);
        const span = { from, to: addDays(from, laneDays) };
        return { span, focus: span };
    }
    if (view === 'day' || (view === 'week' && laneDays < 7)) {
        const span = { from: date, to: addDays(date, view === 'day' ? 1 : laneDays) };
        return { span, focus: span };
    }
    if (view === 'week') {
        const from = startOfWeek(date, firstDay);
        const span = { from, to: addDays(from, 7) };
        return { span, focus: span };
    }
    if (view === 'table') {
        const span = period === 'all' ? { from: addDays(date, -ALL_DAYS / 2), to: addDays(date, ALL_DAYS / 2) } : { from: date, to: addMonths(date, MONTHS[period]) };
        return { span, focus: span };
    }
    if (view === 'list') {
        const span = { from: date, to: addDays(date, LIST_DAYS) };
        return { span, focus: span };
    }
    if (view === 'year') {
        const from = startOfYear(date, firstMonth);
        const span = { from, to: addMonths(from, 12) };
        return { span, focus: span };
    }
    const first = startOfMonth(date);
    const focus = { from: first, to: addMonths(first, 1) };
    const from = startOfWeek(first, firstDay);
    const weeks = Math.ceil(daysBetween(from, focus.to) / 7);
    return { span: { from, to: addDays(from, weeks * 7) }, focus };
}

/** The date that the view is turned to by one step. */
export function stepped(view: View, date: string, laneDays: number, direction: 1 | -1): string {
    switch (view) {
        case 'day':
            return addDays(date, direction);
        case 'lanes':
        case 'week':
            return addDays(date, direction * (laneDays < 7 ? laneDays : 7));
        case 'list':
            return addDays(date, direction * 7);
        case 'year':
            return addMonths(date, direction * 12);
        case 'month':
        case 'table':
            return addMonths(startOfMonth(date), direction);
    }
}
