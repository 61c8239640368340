import { minutesBetween } from '@/time/dates';
import { lastDay, type Item } from './geometry';

/** Where a timed item stands in the column of one day: minutes from midnight, and its share of the width. */
export type Block = { item: Item; from: number; to: number; /** When it is over, however high it is drawn. */ end: number; column: number; columns: number; /** How many of the columns it takes. */ wide: number; begins: boolean; ends: boolean };

/** An item is drawn at least so high, in minutes, that its name can be read. */
export const LEAST_MINUTES = 30;
const DAY = 24 * 60;

/**
 * Lays the timed items of one day side by side where they are at one time. What began the day before goes on from
 * midnight, what ends the day after to midnight; times are of the wall, as the server tells them.
 */
export function layDay(items: readonly Item[], day: string): Block[] {
    const midnight = `${day}T00:00`;
    const blocks = items
        .filter((item) => !item.allDay && item.start.slice(0, 10) <= day && lastDay(item) >= day)
        .map((item): Block => {
            const from = Math.max(0, minutesBetween(midnight, item.start));
            const end = minutesBetween(midnight, item.end);
            const to = Math.min(DAY, Math.max(end, from + LEAST_MINUTES));
            return { item, from: Math.min(from, DAY - LEAST_MINUTES), to, end: Math.min(DAY, Math.max(end, from)), column: 0, columns: 1, wide: 1, begins: item.start.slice(0, 10) === day, ends: end <= DAY };
        })
        .sort((a, b) => a.from - b.from || b.to - a.to);
    let cluster: Block[] = [];
    let reaches = -1;
    const close = () => {
        const columns = Math.max(0, ...cluster.map((block) => block.column)) + 1;
        for (const block of cluster) {
            // It goes on to the right as far as nothing is there at its time.
            const next = cluster.filter((other) => other.column > block.column && other.from < block.to && other.to > block.from).map((other) => other.column);
            block.columns = columns;
            block.wide = Math.min(columns, ...next) - block.column;
        }
        cluster = [];
    };
    for (const block of blocks) {
        if (block.from >= reaches) {
            close();
            reaches = -1;
        }
        const taken = new Set(cluster.filter((other) => other.to > block.from).map((other) => other.column));
        while (taken.has(block.column)) block.column++;
        cluster.push(block);
        reaches = Math.max(reaches, block.to);
    }
    close();
    return blocks;
}

/**
 * The hours to show: the working day, and those in which something is besides, as long as they are `most` in all: what begins on the
 * day goes before what goes on from the night before.
 */
export function hoursOf(blocks: readonly Block[], from: number, to: number, most: number): { first: number; last: number } {
    let [first, last] = [from, to];
    for (const { from: begin, to: end } of [...blocks].sort((a, b) => Number(b.begins) - Number(a.begins) || b.to - a.to)) {
        const reach = [Math.min(first, Math.floor(begin / 60)), Math.max(last, Math.ceil(end / 60))] as const;
        if (reach[1] - reach[0] <= most) [first, last] = reach;
    }
    return { first, last };
}

/** A day with layers side by side: its blocks, each with its share of the width; the same as they stand as bars, in whole columns; and how many columns each layer takes. */
export type SideBySide = { blocks: Block[]; bars: Block[]; columns: number[] };

/** The same with layers side by side: each in columns of its own, as many as it has at one time. */
export function sideBySide(items: readonly Item[], day: string, layers: readonly number[]): SideBySide {
    const laid = layers.map((layer) => layDay(items.filter((item) => item.layer === layer), day));
    const columns = laid.map((blocks) => Math.max(1, ...blocks.map((block) => block.columns)));
    const all = columns.reduce((sum, each) => sum + each, 0);
    const before = columns.map((_, index) => columns.slice(0, index).reduce((sum, each) => sum + each, 0));
    const placed = laid.flatMap((own, index) => own.map((block) => ({ block, before: before[index] ?? 0, share: (columns[index] ?? 1) / block.columns })));
    return {
        // What is alone in its layer has all of its width.
        blocks: placed.map(({ block, before, share }) => ({ ...block, column: before + block.column * share, columns: all, wide: block.wide * share })),
        bars: placed.map(({ block, before }) => ({ ...block, column: before + block.column, columns: all, wide: 1 })),
        columns,
    };
}

/** How wide a day must be so that each of its blocks can be pointed at (WCAG 2.5.8). */
export function leastWidth(columns: number): number {
    return columns * 27 + 4;
}
