import { expect, test } from 'vitest';
import { lastDay, layRow, type Item } from '@/features/sheet/geometry';
import { hoursOf, layDay, sideBySide } from '@/features/sheet/hours';
import { sameThrough } from '@/features/sheet/useSheet';

function item(title: string, start: string, end: string, more: Partial<Item> = {}): Item {
    return {
        id: 1, occurrence: null, layer: 0, also: [], calendar: 'slip', title, place: '', categories: [], allDay: start.length === 10,
        start, end, status: 'confirmed', busyOnly: false, private: false, repeats: false,
        hold: null, external: false, unanswered: false, responsible: [], rows: [], ...more,
    };
}

const titles = (items: Item[] | undefined) => items?.map((each) => each.title);

test('the last day of an item is the one it ends within', () => {
    expect(lastDay(item('a', '2026-11-02T09:00', '2026-11-02T10:00'))).toBe('2026-11-02');
    expect(lastDay(item('over midnight', '2026-11-02T22:00', '2026-11-03T02:00'))).toBe('2026-11-03');
    expect(lastDay(item('until midnight', '2026-11-02T22:00', '2026-11-03T00:00'))).toBe('2026-11-02');
    expect(lastDay(item('without length at midnight', '2026-11-02T00:00', '2026-11-02T00:00'))).toBe('2026-11-02');
    expect(lastDay(item('all day', '2026-11-02', '2026-11-03'))).toBe('2026-11-02');
    expect(lastDay(item('three days', '2026-11-02', '2026-11-05'))).toBe('2026-11-04');
    expect(lastDay(item('over new year', '2026-12-31', '2027-01-02'))).toBe('2027-01-01');
});

test('what fits in a day is a ticket of that day, what does not a ribbon', () => {
    const row = layRow(
        [item('morning', '2026-11-02T09:00', '2026-11-02T10:00'), item('night', '2026-11-03T22:00', '2026-11-04T06:00'), item('late', '2026-11-04T20:00', '2026-11-05T00:00')],
        '2026-11-02', 7, 'ribbon',
    );
    expect(row.tickets.map(titles)).toEqual([['morning'], [], ['late'], [], [], [], []]);
    expect(row.ribbons.map(({ from, to, begins, ends }) => [from, to, begins, ends])).toEqual([[1, 2, true, true]]);
    expect(row.tracks).toEqual([0, 1, 1, 0, 0, 0, 0]);
});

test('a whole day is a ribbon or a ticket, as the view has room', () => {
    const items = [item('closed', '2026-11-02', '2026-11-03')];
    expect(layRow(items, '2026-11-02', 7, 'ribbon').ribbons).toHaveLength(1);
    expect(titles(layRow(items, '2026-11-02', 7, 'ticket').tickets[0])).toEqual(['closed']);
});

test('ribbons that overlap lie on tracks of their own, and a free track is used again', () => {
    const row = layRow(
        [item('a', '2026-11-02', '2026-11-05'), item('b', '2026-11-03', '2026-11-06'), item('c', '2026-11-05', '2026-11-07'), item('d', '2026-11-05', '2026-11-07')],
        '2026-11-02', 7, 'ribbon',
    );
    expect(row.ribbons.map(({ item: { title }, track }) => `${title}${track}`)).toEqual(['a0', 'b1', 'c0', 'd2']);
    expect(row.tracks).toEqual([1, 2, 2, 3, 3, 0, 0]);
});

test('what reaches over the edges of a row is cut there and says so', () => {
    const [ribbon] = layRow([item('long', '2026-10-20', '2026-12-01')], '2026-11-02', 7, 'ribbon').ribbons;
    expect(ribbon).toMatchObject({ from: 0, to: 6, begins: false, ends: false });
    const outside = layRow([item('before', '2026-11-01T09:00', '2026-11-01T10:00'), item('after', '2026-11-09', '2026-11-10'), item('ended', '2026-10-20', '2026-11-02')], '2026-11-02', 7, 'ribbon');
    expect(outside.ribbons).toEqual([]);
    expect(outside.tickets.flat()).toEqual([]);
});

test('no two ribbons lie over each other, whatever they are', () => {
    let seed = 7;
    const random = (below: number) => (seed = (seed * 16807) % 2147483647) % below;
    for (let round = 0; round < 100; round++) {
        const items = Array.from({ length: 12 }, (_, index) => {
            const first = 1 + random(20);
            const day = (number: number) => `2026-11-${String(number).padStart(2, '0')}`;
            return item(`${index}`, day(first), day(first + 1 + random(7)));
        }).sort((a, b) => (a.start < b.start ? -1 : 1));
        const { ribbons, tracks } = layRow(items, '2026-11-05', 14, 'ribbon');
        for (const a of ribbons) {
            expect(tracks[a.from]).toBeGreaterThan(a.track);
            for (const b of ribbons) {
                if (a !== b && a.track === b.track) expect(a.to < b.from || b.to < a.from).toBe(true);
            }
        }
    }
});

test('in a day by the hour, what is at one time stands side by side, and what is not has the width', () => {
    const at = (title: string, from: string, to: string) => item(title, `2026-11-10T${from}`, `2026-11-10T${to}`);
    const blocks = layDay([at('a', '09:00', '11:00'), at('b', '10:00', '12:00'), at('c', '11:00', '11:30'), at('d', '13:00', '14:00')], '2026-11-10');
    expect(blocks.map(({ item: { title }, from, to, column, columns }) => [title, from, to, column, columns])).toEqual([
        ['a', 540, 660, 0, 2],
        ['b', 600, 720, 1, 2],
        ['c', 660, 690, 0, 2],
        ['d', 780, 840, 0, 1],
    ]);
});

test('what has no length, goes over midnight, or is at its very end is drawn within its day', () => {
    const night = item('Night watch', '2026-11-10T22:00', '2026-11-11T02:00');
    expect(layDay([night], '2026-11-10').map(({ from, to, begins, ends }) => [from, to, begins, ends])).toEqual([[1320, 1440, true, false]]);
    expect(layDay([night], '2026-11-11').map(({ from, to, begins, ends }) => [from, to, begins, ends])).toEqual([[0, 120, false, true]]);
    expect(layDay([item('Bell', '2026-11-10T09:00', '2026-11-10T09:00')], '2026-11-10').map(({ from, to }) => [from, to])).toEqual([[540, 570]]);
    expect(layDay([item('Late', '2026-11-10T23:50', '2026-11-11T00:00')], '2026-11-10').map(({ from, to }) => [from, to])).toEqual([[1410, 1440]]);
    expect(layDay([item('Until midnight', '2026-11-09T20:00', '2026-11-10T00:00'), item('Whole', '2026-11-10', '2026-11-11')], '2026-11-10')).toEqual([]);
});

test('at random: no two blocks of a day lie over each other', () => {
    let seed = 3;
    const random = (most: number) => (seed = (seed * 16807) % 2147483647) % most;
    const clock = (minutes: number) => `2026-11-10T${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
    for (let round = 0; round < 60; round++) {
        const items = Array.from({ length: 1 + random(14) }, (_, index) => {
            const from = random(1380);
            return item(String(index), clock(from), clock(Math.min(1439, from + random(300))));
        });
        const blocks = layDay(items, '2026-11-10');
        expect(blocks).toHaveLength(items.length);
        for (const a of blocks) {
            expect(a.column).toBeLessThan(a.columns);
            expect(a.wide).toBeGreaterThanOrEqual(1);
            for (const b of blocks) if (a !== b && a.columns === b.columns && a.column < b.column + b.wide && b.column < a.column + a.wide) expect(a.to <= b.from || b.to <= a.from).toBe(true);
            for (const b of blocks) if (a !== b && a.column === b.column) expect(a.to <= b.from || b.to <= a.from || a.columns !== b.columns).toBe(true);
        }
    }
});

test('hours outside of the working day are folded, and what is in them is counted', () => {
    const blocks = layDay([item('Early', '2026-11-10T05:00', '2026-11-10T06:00'), item('Noon', '2026-11-10T12:00', '2026-11-10T13:00'), item('Late', '2026-11-10T20:00', '2026-11-10T21:00')], '2026-11-10');
    expect(hoursOf(blocks, 7, 20)).toEqual({ first: 7, last: 20, before: 1, after: 1 });
});

test('side by side each layer has columns of its own, as many as it has at one time', () => {
    const at = (title: string, layer: number, from: string, to: string) => item(title, `2026-11-10T${from}`, `2026-11-10T${to}`, { layer });
    const { blocks, columns } = sideBySide([at('a', 0, '09:00', '10:00'), at('b', 2, '09:00', '11:00'), at('c', 2, '10:00', '11:00'), at('d', 2, '13:00', '14:00'), at('hidden', 1, '09:00', '10:00')], '2026-11-10', [0, 2]);
    expect(columns).toEqual([1, 2]);
    expect(blocks.map(({ item: { title }, column, columns: all, wide }) => [title, column, all, wide])).toEqual([['a', 0, 3, 1], ['b', 1, 3, 1], ['c', 2, 3, 1], ['d', 1, 3, 2]]);
    expect(sideBySide([], '2026-11-10', [0, 1]).columns).toEqual([1, 1]);
});

test('while another overlay is fetched nothing stands in for it; another week of the same one is', () => {
    const through = { overlay: 'autumn', calendar: undefined, as: undefined, zone: 'Europe/London', categories: [], words: undefined, people: [], group: 'layer' as const };
    const before = { queryKey: ['events', 'sheet', 'window', through, { from: '2026-11-02', to: '2026-11-09' }] };
    expect(sameThrough({ ...through, words: 'haul', group: 'place' })('old', before)).toBe('old');
    for (const other of [{ overlay: 'spring' }, { calendar: 'slip' }, { as: 4 }]) expect(sameThrough({ ...through, ...other })('old', before)).toBeUndefined();
    expect(sameThrough(through)('old', undefined)).toBeUndefined();
});
