import type { Block } from './hours';

/** The height of a line of names, in pixels. */
export const LINE = 17;

/** So much of a name at least can be read, with the mark in front. */
const READABLE = 74;

/** A ticket that is narrower than this has no room for a name. */
const TICKET = 72;

/** In pixels from the left of the day and from its first hour. */
export type Bar = { block: Block; left: number; width: number; top: number; height: number; name: { left: number; top: number; lines: number } };

type Room = {
    /** Of the column of the day, in pixels. */
    width: number;
    /** From its first hour to its last. */
    height: number;
    /** Where a minute of the day lies. */
    at: (minutes: number) => number;
};

/** Whether a day has more at one time than tickets with names can stand side by side. */
export function isCrowded(blocks: readonly Block[], width: number): boolean {
    return blocks.some((block) => (block.wide / block.columns) * width < TICKET);
}

/** How wide a day must be so that its names can be read beside its bars. */
export function leastBarsWidth(blocks: readonly Block[]): number {
    return lanesOf(blocks) * 4 + READABLE;
}

function lanesOf(blocks: readonly Block[]): number {
    return Math.max(1, ...blocks.map((block) => block.column + 1));
}

/**
 * Draws the blocks of a day as thin bars at their hours, with their names beside: in the order of their times, none over another,
 * each as near to the top of its bar as all together can be, and clear of every bar that is there.
 */
export function layBars(blocks: readonly Block[], { width, height, at }: Room): Bar[] {
    const lanes = lanesOf(blocks);
    const pitch = Math.max(4, Math.min(9, Math.floor((width - READABLE) / lanes)));
    const bars = [...blocks]
        .sort((a, b) => a.from - b.from || a.column - b.column)
        .map((block): Bar => {
            const top = Math.max(0, at(block.from));
            return { block, left: 3 + block.column * pitch, width: pitch - 2, top, height: Math.max(5, Math.min(height, at(block.end)) - top - 1), name: { left: 0, top: 0, lines: 1 } };
        });
    const tops = nearest(bars.map((bar) => bar.top), LINE, height);
    return bars.map((bar, index) => {
        const top = tops[index] ?? 0;
        const room = (tops[index + 1] ?? height) - top;
        const lines = room >= 2 * LINE ? 2 : 1;
        const beside = bars.filter((other) => other.top < top + lines * LINE && other.top + other.height > top);
        return { ...bar, name: { left: Math.max(bar.left + bar.width, ...beside.map((other) => other.left + other.width)) + 5, top, lines } };
    });
}

/**
 * Places in order, at least a step apart and within bounds where they fit, as near as can be to where each is wanted: the sum of the
 * squares of how far they are is the least that there is (pool adjacent violators).
 *
 * @param wanted in order
 */
export function nearest(wanted: readonly number[], step: number, height: number): number[] {
    const pools: { sum: number; count: number }[] = [];
    const mean = ({ sum, count }: { sum: number; count: number }) => sum / count;
    for (const [index, place] of wanted.entries()) {
        let pool = { sum: place - index * step, count: 1 };
        for (let before = pools.at(-1); before !== undefined && mean(before) > mean(pool); before = pools.at(-1)) {
            pools.pop();
            pool = { sum: before.sum + pool.sum, count: before.count + pool.count };
        }
        pools.push(pool);
    }
    // What is beyond the bounds is at the bound; where all of them need more room than there is, they go on below.
    const last = Math.max(0, height - wanted.length * step);
    return pools.flatMap((pool) => Array.from({ length: pool.count }, () => Math.max(0, Math.min(last, mean(pool))))).map((place, index) => place + index * step);
}
