import { useSyncExternalStore } from 'react';
import { addDays, addMonths, daysBetween, startOfMonth, startOfWeek, type FirstDay } from '@/time/dates';
import type { View } from './rotaSearch';
import type { Span } from './useSheet';

/** How many days lanes show side by side: as many as can be read. */
export function useLaneDays(): number {
    return useSyncExternalStore(
        (changed) => {
            window.addEventListener('resize', changed);
            return () => window.removeEventListener('resize', changed);
        },
        () => (window.innerWidth < 640 ? 3 : window.innerWidth < 1000 ? 7 : 14),
    );
}

/** The days that a view draws, and those it is about. */
export function windowOf(view: View, date: string, laneDays: number, firstDay: FirstDay = 'MO'): { span: Span; focus: Span } {
    if (view === 'lanes') {
        const from = laneDays < 7 ? date : startOfWeek(date, firstDay);
        const span = { from, to: addDays(from, laneDays) };
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
    return view === 'lanes' ? addDays(date, direction * (laneDays < 7 ? laneDays : 7)) : addMonths(startOfMonth(date), direction);
}
