import type { Calendar } from '@/features/calendars/useCalendars';

/** Whether something may be brought into a calendar: that changes events which others have put there, too. */
export function takesIn(calendar: Calendar): boolean {
    return (calendar.level === 'change' || calendar.level === 'manage') && !calendar.subscribed && !calendar.archived;
}
