import type { Schemas } from '@/api/client';
import { addDays, daysBetween } from '@/time/dates';

export type Item = Schemas['SheetItem'] & { /** What became of it since one looked. */ since?: Schemas['SinceChange']; /** Whether it was here, and is no longer. */ ghost?: true };

/** What takes up whole days, or more than one, in one row of days, and others of its layer that share it; columns count from 0, both included. */
export type Ribbon = { item: Item; others: Item[]; from: number; to: number; track: number; begins: boolean; ends: boolean };

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
 *
 * @param apart of layers that share one track each, the ones that do not; without it none does
 */
export function layRow(items: readonly Item[], first: string, count: number, wholeDay: 'ribbon' | 'ticket', apart?: ReadonlySet<number>): Row {
    const tickets: Item[][] = Array.from({ length: count }, () => []);
    const spans: Omit<Ribbon, 'track'>[] = [];
    for (const item of items) {
        const day = item.start.slice(0, 10);
        const last = lastDay(item);
        const from = daysBetween(first, day);
        const to = last === day ? from : daysBetween(first, last);
        if (to < 0 || from >= count) continue;
        if (from === to && (!item.allDay || wholeDay === 'ticket')) tickets[from]?.push(item);
        else spans.push({ item, others: [], from: Math.max(from, 0), to: Math.min(to, count - 1), begins: from >= 0, ends: to < count });
    }
    if (apart === undefined) return laid(spans, tickets);
    const together = [...new Set(spans.map(({ item }) => item.layer))].flatMap((layer) => {
        const of = spans.filter(({ item }) => item.layer === layer);
        return apart.has(layer) ? of : sharing(of);
    });
    return laid(together.sort((a, b) => a.item.layer - b.item.layer || a.from - b.from), tickets);
}

/** Of one layer: what takes up whole days at one time shares a ribbon, which begins anew where another begins. What has hours, or is no longer there, stays apart. */
function sharing(spans: readonly Omit<Ribbon, 'track'>[]): Omit<Ribbon, 'track'>[] {
    const shares = ({ item }: (typeof spans)[number]) => item.allDay && item.ghost !== true;
    const whole = spans.filter(shares);
    const begins = [...new Set(whole.map(({ from }) => from))].sort((a, b) => a - b);
    const shared = begins.flatMap((from, index) => {
        const next = begins[index + 1] ?? Infinity;
        const here = whole.filter((span) => span.from <= from && span.to >= from);
        const [head, ...others] = here;
        if (head === undefined) return [];
        const end = Math.max(...here.map((span) => span.to));
        return [{ item: head.item, others: others.map(({ item }) => item), from, to: Math.min(end, next - 1), begins: here.every((span) => span.from === from && span.begins), ends: end < next && here.some((span) => span.to === end && span.ends) }];
    });
    return [...shared, ...spans.filter((span) => !shares(span))];
}

/** The items of each of so many weeks from a day on, in their order: each in every week that it takes up a day of. */
export function byWeek(items: readonly Item[], first: string, weeks: number): Item[][] {
    const of: Item[][] = Array.from({ length: weeks }, () => []);
    // Many items are on few days, of which each is counted once.
    const known = new Map<string, number>();
    const weekOf = (day: string) => {
        const week = known.get(day) ?? Math.floor(daysBetween(first, day) / 7);
        known.set(day, week);
        return week;
    };
    for (const item of items) {
        const day = item.start.slice(0, 10);
        const last = lastDay(item);
        for (let week = Math.max(0, weekOf(day)), end = Math.min(weeks - 1, last === day ? week : weekOf(last)); week <= end; week++) of[week]?.push(item);
    }
    return of;
}

function laid(spans: readonly Omit<Ribbon, 'track'>[], tickets: Item[][]): Row {
    const ribbons = onTracks(spans);
    return { ribbons, tickets, tracks: tickets.map((_, column) => tracksAt(ribbons, column)) };
}

/** How many tracks a day takes, down to the last of its ribbons. */
export function tracksAt(ribbons: readonly Ribbon[], column: number): number {
    return ribbons.reduce((most, each) => (each.from <= column && column <= each.to ? Math.max(most, each.track + 1) : most), 0);
}

/** In their order, each on the first track that is free on its days. */
function onTracks(spans: readonly Omit<Ribbon, 'track'>[]): Ribbon[] {
    const taken: Omit<Ribbon, 'track'>[][] = [];
    return spans.map((span) => {
        const free = taken.findIndex((on) => on.every((other) => other.to < span.from || other.from > span.to));
        const track = free === -1 ? taken.length : free;
        (taken[track] ??= []).push(span);
        return { ...span, track };
    });
}

/** Tells one occurrence in one layer from another on a sheet. */
export function itemKey(item: Pick<Item, 'id' | 'occurrence' | 'layer'>): string {
    return `${item.id}:${item.occurrence ?? ''}:${item.layer}`;
}
