import type { Schemas } from '@/api/client';
import { addDays, daysBetween } from '@/time/dates';

export type Item = Schemas['SheetItem'];

/** What takes up whole days, or more than one, in one row of days; columns count from 0, both included. */
export type Ribbon = { item: Item; from: number; to: number; track: number; begins: boolean; ends: boolean };

/** A row of the sheet: its days side by side, each with the tickets of that day below the ribbons. */
export type Row = { ribbons: Ribbon[]; tickets: Item[][]; tracks: number[] };

/** The last day that an item takes up. */
export function lastDay(item: Pick<Item, 'start' | 'end' | 'allDay'>): string {
    if (item.allDay) return addDays(item.end, -1);
    const end = item.end.slice(0, 10);
    // What ends at midnight does not take up the day that begins then.
    return item.end.endsWith('T00:00') && end > item.start.slice(0, 10) ? addDays(end, -1) : end;
}

/**
 * Lays items into a row of `count` days from `first` on. Items must be in order of start. What takes up one whole day
 * is a ribbon where lines are long, a ticket where columns are narrow.
 */
export function layRow(items: readonly Item[], first: string, count: number, wholeDay: 'ribbon' | 'ticket'): Row {
    const ribbons: Ribbon[] = [];
    const tickets: Item[][] = Array.from({ length: count }, () => []);
    const taken: number[] = [];
    for (const item of items) {
        const day = item.start.slice(0, 10);
        const last = lastDay(item);
        const from = daysBetween(first, day);
        const to = last === day ? from : daysBetween(first, last);
        if (to < 0 || from >= count) continue;
        if (from === to && (!item.allDay || wholeDay === 'ticket')) {
            tickets[from]?.push(item);
            continue;
        }
        const start = Math.max(from, 0);
        let track = taken.findIndex((column) => column < start);
        if (track === -1) track = taken.length;
        const end = Math.min(to, count - 1);
        taken[track] = end;
        ribbons.push({ item, from: start, to: end, track, begins: from >= 0, ends: to < count });
    }
    const tracks = Array.from({ length: count }, (_, column) =>
        ribbons.reduce((most, each) => (each.from <= column && column <= each.to ? Math.max(most, each.track + 1) : most), 0),
    );
    return { ribbons, tickets, tracks };
}

/** Tells one occurrence in one layer from another on a sheet. */
export function itemKey(item: Pick<Item, 'id' | 'occurrence' | 'layer'>): string {
    return `${item.id}:${item.occurrence ?? ''}:${item.layer}`;
}
