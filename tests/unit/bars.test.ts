import { expect, test } from 'vitest';
import { isCrowded, layBars, leastBarsWidth, LINE, nearest } from '@/features/sheet/bars';
import type { Item } from '@/features/sheet/geometry';
import { layDay } from '@/features/sheet/hours';

const DAY = '2026-11-23';

function item(id: number, from: string, to: string): Item {
    return {
        id, occurrence: null, layer: 0, also: [], calendar: 'slip', title: `Event ${id}`, place: '', categories: [], responsible: [], allDay: false, start: `${DAY}T${from}`, end: `${DAY}T${to}`,
        status: 'confirmed', busyOnly: false, private: false, repeats: false, hold: null, external: false, unanswered: false,
    };
}

const room = (width = 132, height = 494) => ({ width, height, at: (minutes: number) => ((minutes - 7 * 60) / 60) * 38 });

/** The same numbers in every run. */
function random(seed: number): () => number {
    let state = seed;
    return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

function crowd(seed: number, count: number): Item[] {
    const next = random(seed);
    return Array.from({ length: count }, (_, id) => {
        const from = 7 * 4 + Math.floor(next() * 48);
        const to = Math.min(19 * 4 + 3, from + Math.floor(next() * 16));
        const told = (quarter: number) => `${String(Math.floor(quarter / 4)).padStart(2, '0')}:${String((quarter % 4) * 15).padStart(2, '0')}`;
        return item(id, told(from), told(to));
    });
}

test('what is wanted with room enough is where it is wanted', () => {
    expect(nearest([0, 40, 100], 17, 400)).toEqual([0, 40, 100]);
    expect(nearest([], 17, 400)).toEqual([]);
});

test('what is wanted at one place is spread evenly about it, within the bounds', () => {
    expect(nearest([100, 100, 100], 17, 400)).toEqual([83, 100, 117]);
    expect(nearest([0, 0], 17, 400)).toEqual([0, 17]);
    expect(nearest([395, 395], 17, 400)).toEqual([366, 383]);
    // More than there is room for goes on below.
    expect(nearest([0, 0, 0], 17, 40)).toEqual([0, 17, 34]);
});

test('at random: places are in order, a step apart, and no other places are nearer', () => {
    for (let seed = 1; seed <= 40; seed++) {
        const next = random(seed);
        const wanted = Array.from({ length: 8 }, () => Math.floor(next() * 300)).sort((a, b) => a - b);
        const places = nearest(wanted, 17, 400);
        const far = (tried: number[]) => tried.reduce((sum, place, index) => sum + (place - (wanted[index] ?? 0)) ** 2, 0);
        for (let index = 1; index < places.length; index++) expect((places[index] ?? 0) - (places[index - 1] ?? 0)).toBeGreaterThanOrEqual(17 - 1e-9);
        // Any group of neighbours shifted a little, as far as that is allowed, is farther off.
        for (let from = 0; from < 8; from++) {
            for (let to = from; to < 8; to++) {
                for (const by of [-1, 1]) {
                    const tried = places.map((place, index) => (index >= from && index <= to ? place + by : place));
                    const allowed = tried.every((place, index) => place >= 0 && place <= 400 - 17 && (index === 0 || place - (tried[index - 1] ?? 0) >= 17 - 1e-9));
                    if (allowed) expect(far(tried)).toBeGreaterThanOrEqual(far(places) - 1e-6);
                }
            }
        }
    }
});

test('bars stand at their hours, one beside the other where they are at one time', () => {
    const bars = layBars(layDay([item(1, '08:00', '10:00'), item(2, '09:00', '12:00'), item(3, '13:00', '14:00')], DAY), room());
    expect(bars.map(({ top, height }) => [top, Math.round(height)])).toEqual([[38, 75], [76, 113], [228, 37]]);
    expect(bars[0]?.left).toBe(bars[2]?.left);
    expect(bars[1]?.left).toBeGreaterThan((bars[0]?.left ?? 0) + (bars[0]?.width ?? 0));
    // Where the next name is far, a name has two lines.
    expect(bars.map(({ name }) => [name.top, name.lines])).toEqual([[38, 2], [76, 2], [228, 2]]);
});

test('at random: every name is there, in the order of the times, over no other name and over no bar, within the day', () => {
    for (let seed = 1; seed <= 60; seed++) {
        const items = crowd(seed, 4 + (seed % 22));
        const bars = layBars(layDay(items, DAY), room());
        expect(bars.map((bar) => bar.block.item.id).sort((a, b) => a - b)).toEqual(items.map(({ id }) => id));
        for (const [index, { name, block, left, width }] of bars.entries()) {
            const before = bars[index - 1];
            if (before !== undefined) {
                expect(before.block.from).toBeLessThanOrEqual(block.from);
                expect(name.top).toBeGreaterThanOrEqual(before.name.top + before.name.lines * LINE - 1e-9);
            }
            expect(name.left).toBeGreaterThan(left + width);
            expect(name.top + name.lines * LINE).toBeLessThanOrEqual(494 + 1e-9);
            for (const other of bars) {
                const crossed = other.top < name.top + name.lines * LINE && other.top + other.height > name.top;
                if (crossed) expect(name.left).toBeGreaterThan(other.left + other.width);
                // No two bars at one time stand over each other.
                if (other !== bars[index] && other.block.from < block.to && other.block.to > block.from) expect(other.left).not.toBe(left);
            }
        }
    }
});

test('in as little room as is asked for, a name is readable beside every bar', () => {
    for (let seed = 1; seed <= 20; seed++) {
        const blocks = layDay(crowd(seed, 24), DAY);
        const width = leastBarsWidth(blocks);
        for (const { name } of layBars(blocks, room(width))) expect(width - name.left).toBeGreaterThanOrEqual(62);
    }
});

test('a day is crowded where a ticket would be too narrow for a name', () => {
    const two = layDay([item(1, '08:00', '10:00'), item(2, '09:00', '12:00')], DAY);
    expect(isCrowded(two, 200)).toBe(false);
    expect(isCrowded(two, 130)).toBe(true);
    expect(isCrowded(layDay([item(1, '08:00', '10:00')], DAY), 80)).toBe(false);
    expect(isCrowded([], 20)).toBe(false);
});
