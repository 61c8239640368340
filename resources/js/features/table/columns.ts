import type { Schemas } from '@/api/client';
import type { TableColumn } from '@/features/sheet/rotaSearch';
import { addDays, daysBetween, formatDate, formatMoment, timeOfDay } from '@/time/dates';

export type Row = Schemas['TableRow'];

export type Column = {
    key: TableColumn;
    name: string;
    width: string;
    /** Whether it can be typed into. */
    written: boolean;
    /** Whether there may be nothing in it. */
    empty?: boolean;
};

export const COLUMNS: Column[] = [
    { key: 'when', name: 'When', width: '208px', written: true },
    { key: 'title', name: 'Title', width: 'minmax(150px, 1.5fr)', written: true },
    { key: 'calendar', name: 'Calendar', width: 'minmax(110px, 1fr)', written: true },
    { key: 'place', name: 'Place', width: 'minmax(90px, 0.8fr)', written: true, empty: true },
    { key: 'categories', name: 'Categories', width: 'minmax(90px, 0.8fr)', written: true, empty: true },
    { key: 'status', name: 'State', width: '84px', written: true },
    { key: 'responsible', name: 'Responsible', width: 'minmax(100px, 0.9fr)', written: true, empty: true },
    { key: 'addedBy', name: 'Added by', width: 'minmax(100px, 0.8fr)', written: false },
    { key: 'changedAt', name: 'Changed', width: '130px', written: false },
];

export const USUAL: Column['key'][] = ['when', 'title', 'calendar', 'place', 'categories', 'status', 'responsible'];

/** What stands in a cell. */
export function cellText(row: Row, column: Column['key'], calendarName: (slug: string) => string, year: string): string {
    switch (column) {
        case 'when':
            return whenText(row, year);
        case 'calendar':
            return calendarName(row.calendar);
        case 'categories':
        case 'responsible':
            return row[column].join(', ');
        case 'changedAt':
            return row.changedAt === '' ? '' : formatMoment(row.changedAt);
        default:
            return row[column];
    }
}

/** When it is, as short as it can be said: with the year where that is another than this. */
export function whenText({ start, end, allDay }: Pick<Row, 'start' | 'end' | 'allDay'>, year: string): string {
    const day = (date: string) => `${formatDate(date, 'weekdayDay')}${date.startsWith(year) ? '' : ` ${date.slice(0, 4)}`}`;
    if (allDay) return daysBetween(start, end) === 1 ? day(start) : `${day(start)} – ${day(addDays(end, -1))}`;
    const from = `${day(start.slice(0, 10))}, ${timeOfDay(start)}`;
    if (start === end) return from;
    return end.slice(0, 10) === start.slice(0, 10) ? `${from}–${timeOfDay(end)}` : `${from} – ${day(end.slice(0, 10))}, ${timeOfDay(end)}`;
}

/** The same, as it is typed: with the year, so that it means the same again. */
export function whenTyped({ start, end, allDay }: Pick<Row, 'start' | 'end' | 'allDay'>): string {
    const day = (date: string) => date.slice(0, 10);
    if (allDay) return daysBetween(start, end) === 1 ? day(start) : `${day(start)} to ${day(addDays(end, -1))}`;
    const from = `${day(start)} ${start.slice(11)}`;
    return day(start) === day(end) ? `${from}–${end.slice(11)}` : `${from} to ${day(end)} ${end.slice(11)}`;
}

/** What is copied of a cell: what means the same when it is typed. */
export function copyText(row: Row, column: Column['key'], calendarName: (slug: string) => string): string {
    return column === 'when' ? whenTyped(row) : column === 'changedAt' ? row.changedAt : cellText(row, column, calendarName, '');
}
