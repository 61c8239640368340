import { describe, expect, test } from 'vitest';
import { byWeek, lastDay, layRow, type Item } from '@/features/sheet/geometry';
import { bandWords } from '@/features/sheet/bandWords';
import { hoursOf, layDay, sideBySide } from '@/features/sheet/hours';
import { byMonday, schoolWeekOf, weeksWords } from '@/features/sheet/schoolWeeks';
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

describe('the hours outside of the working day', () => {
    const on = (title: string, from: string, to: string, until = '2026-11-10') => item(title, `2026-11-10T${from}`, `${until}T${to}`);
    const night = item('Watch', '2026-11-09T22:00', '2026-11-10T06:00');

    test('are shown where something is in them and they fit', () => {
        const blocks = layDay([on('Early', '05:30', '06:15'), on('Noon', '12:00', '13:00'), on('Late', '20:00', '21:15')], '2026-11-10');
        expect(hoursOf(blocks, 7, 20, 17)).toEqual({ first: 5, last: 22 });
        expect(hoursOf(blocks, 7, 20, 24)).toEqual({ first: 5, last: 22 });
    });

    test('are folded where they do not fit, the later ones last', () => {
        const blocks = layDay([on('Early', '05:30', '06:15'), on('Noon', '12:00', '13:00'), on('Late', '20:00', '21:15')], '2026-11-10');
        expect(hoursOf(blocks, 7, 20, 16)).toEqual({ first: 7, last: 22 });
        expect(hoursOf(blocks, 7, 20, 13)).toEqual({ first: 7, last: 20 });
        expect(hoursOf(blocks, 7, 20, 0)).toEqual({ first: 7, last: 20 });
    });

    test('are those of what begins before those of what goes on from the night', () => {
        const blocks = layDay([night, on('Watch', '22:00', '06:00', '2026-11-11')], '2026-11-10');
        expect(hoursOf(blocks, 7, 20, 19)).toEqual({ first: 7, last: 24 });
        expect(hoursOf(blocks, 7, 20, 24)).toEqual({ first: 0, last: 24 });
    });

    test('stay as they are where nothing is in them', () => {
        expect(hoursOf(layDay([on('Noon', '12:00', '13:00')], '2026-11-10'), 7, 20, 24)).toEqual({ first: 7, last: 20 });
        expect(hoursOf([], 7, 20, 24)).toEqual({ first: 7, last: 20 });
    });
});

test('side by side each layer has columns of its own, as many as it has at one time', () => {
    const at = (title: string, layer: number, from: string, to: string) => item(title, `2026-11-10T${from}`, `2026-11-10T${to}`, { layer });
    const { blocks, bars, columns } = sideBySide([at('a', 0, '09:00', '10:00'), at('b', 2, '09:00', '11:00'), at('c', 2, '10:00', '11:00'), at('d', 2, '13:00', '14:00'), at('hidden', 1, '09:00', '10:00')], '2026-11-10', [0, 2]);
    expect(columns).toEqual([1, 2]);
    expect(blocks.map(({ item: { title }, column, columns: all, wide }) => [title, column, all, wide])).toEqual([['a', 0, 3, 1], ['b', 1, 3, 1], ['c', 2, 3, 1], ['d', 1, 3, 2]]);
    // As bars each stands in one column of its layer.
    expect(bars.map(({ item: { title }, column, wide }) => [title, column, wide])).toEqual([['a', 0, 1], ['b', 1, 1], ['c', 2, 1], ['d', 1, 1]]);
    expect(sideBySide([], '2026-11-10', [0, 1]).columns).toEqual([1, 1]);
});

test('while another overlay is fetched nothing stands in for it; another week of the same one is', () => {
    const through = { overlay: 'autumn', calendar: undefined, of: undefined, as: undefined, zone: 'Europe/London', categories: [], words: undefined, people: [], group: 'layer' as const };
    const before = { queryKey: ['events', 'sheet', 'window', through, { from: '2026-11-02', to: '2026-11-09' }] };
    expect(sameThrough({ ...through, words: 'haul', group: 'place' })('old', before)).toBe('old');
    for (const other of [{ overlay: 'spring' }, { calendar: 'slip' }, { as: 4 }]) expect(sameThrough({ ...through, ...other })('old', before)).toBeUndefined();
    expect(sameThrough(through)('old', undefined)).toBeUndefined();
});

const away = (title: string, start: string, end: string, layer = 1) => item(title, start, end, { layer, id: title.length * 100 + layer });
const named = (row: ReturnType<typeof layRow>) => row.ribbons.map(({ item: { title }, others, from, to, track }) => `${[title, ...others.map((each) => each.title)].join('+')} ${from}-${to} on ${track}`);

test('whole days of one layer share a track, and a ribbon wherever they are at one time', () => {
    const items = [away('Ines', '2026-11-02', '2026-11-05'), away('Noor', '2026-11-04', '2026-11-05'), away('Rufus', '2026-11-06', '2026-11-08'), item('shipwright', '2026-11-04', '2026-11-06')];
    const row = layRow(items, '2026-11-02', 7, 'ribbon', new Set());
    expect(named(row)).toEqual(['shipwright 2-3 on 0', 'Ines 0-1 on 0', 'Ines+Noor 2-2 on 1', 'Rufus 4-5 on 0']);
    expect(row.tracks).toEqual([1, 1, 2, 1, 1, 1, 0]);
    // The first part of what goes on in the next ribbon has no tail, and the next no beginning.
    expect(row.ribbons.filter((ribbon) => ribbon.item.title === 'Ines').map(({ begins, ends }) => [begins, ends])).toEqual([[true, false], [false, true]]);
});

test('a layer that is drawn apart, and what has hours, share nothing', () => {
    const items = [away('Ines', '2026-11-02', '2026-11-05'), away('Noor', '2026-11-02', '2026-11-05'), item('watch', '2026-11-02T22:00', '2026-11-03T06:00', { layer: 1 })];
    expect(named(layRow(items, '2026-11-02', 7, 'ribbon', new Set([1])))).toEqual(['Ines 0-2 on 0', 'Noor 0-2 on 1', 'watch 0-1 on 2']);
    expect(named(layRow(items, '2026-11-02', 7, 'ribbon', new Set()))).toEqual(['Ines+Noor 0-2 on 0', 'watch 0-1 on 1']);
});

test('whatever is put together, each day has all of it, and nothing lies over anything', () => {
    let seed = 11;
    const random = (below: number) => (seed = (seed * 48271) % 2147483647) % below;
    for (let round = 0; round < 200; round++) {
        const items = Array.from({ length: 1 + random(12) }, (_, index) => {
            const from = random(9) - 1;
            return item(`e${index}`, `2026-11-${String(2 + from).padStart(2, '0')}`, `2026-11-${String(3 + from + random(5)).padStart(2, '0')}`, { layer: random(3), id: index });
        }).sort((a, b) => (a.start < b.start ? -1 : 1));
        const row = layRow(items, '2026-11-02', 7, 'ribbon', new Set());
        for (let column = 0; column < 7; column++) {
            const day = `2026-11-${String(2 + column).padStart(2, '0')}`;
            const here = row.ribbons.filter(({ from, to }) => from <= column && column <= to);
            expect(new Set(here.map(({ track }) => track)).size).toBe(here.length);
            expect(new Set(here.map((ribbon) => ribbon.item.layer)).size).toBe(here.length);
            const said = new Set(here.flatMap((ribbon) => [ribbon.item, ...ribbon.others]).map(({ id }) => id));
            for (const each of items) if (each.start <= day && lastDay(each) >= day) expect(said).toContain(each.id);
        }
    }
});

test('those who share a ribbon are named with what all have said once, until when, and how many do not fit', () => {
    const days = [away('Ines Halloran away', '2026-11-02', '2026-11-05'), away('Noor Feldkamp away', '2026-11-02', '2026-11-04')];
    expect(bandWords(days, '2026-11-04', 600)).toEqual({ text: 'Ines Halloran, Noor Feldkamp (to Tue) away', more: 0 });
    expect(bandWords(days, '2026-11-04', 200)).toEqual({ text: 'Ines Halloran away', more: 1 });
    expect(bandWords(days, '2026-11-04', 130)).toEqual({ text: 'Ines Halloran', more: 1 });
    expect(bandWords(days, '2026-11-04', 50)).toEqual({ text: '', more: 2 });
    const fronts = [away('Away: Y. Calloway', '2026-11-02', '2026-11-05'), away('Away: R. Tamm', '2026-11-02', '2026-11-04')];
    expect(bandWords(fronts, '2026-11-04', 600).text).toBe('Away: Y. Calloway, R. Tamm to Tue');
    expect(bandWords([away('Mock', '2026-11-02', '2026-11-03'), away('Mock', '2026-11-02', '2026-11-03')], '2026-11-02', 600).text).toBe('Mock, Mock');
});

test('weeks are called as the school and as the year has them', () => {
    const week = (monday: string, term: string, number: number | null) => ({ monday, term, number, short: number === null ? 'half-term' : `${number} · A`, name: `${term}, ${number === null ? 'half-term' : `week ${number} · A`}` });
    const weeks = [week('2026-10-19', 'Autumn', 7), week('2026-10-26', 'Autumn', null), week('2026-11-02', 'Autumn', 8), week('2027-01-04', 'Spring', 1)];
    expect(weeksWords(undefined, { from: '2026-10-19', to: '2026-10-26' })).toBe('week 43');
    expect(weeksWords([], { from: '2026-10-19', to: '2026-11-02' })).toBe('weeks 43 to 44');
    expect(weeksWords(weeks, { from: '2026-10-19', to: '2026-10-26' })).toBe('Autumn, week 7 · A · week 43');
    expect(weeksWords(weeks, { from: '2026-10-28', to: '2026-10-29' })).toBe('Autumn, half-term · week 44');
    expect(weeksWords(weeks, { from: '2026-10-19', to: '2026-11-09' })).toBe('Autumn, weeks 7 to 8 · weeks 43 to 45');
    expect(weeksWords(weeks, { from: '2026-11-02', to: '2027-01-11' })).toBe('Autumn, week 8 to Spring, week 1');
    expect(weeksWords(weeks, { from: '2027-06-07', to: '2027-06-14' })).toBe('week 23');
    expect(schoolWeekOf(byMonday(weeks), '2026-11-08')?.number).toBe(8);
    expect(schoolWeekOf(byMonday(weeks), '2026-11-09')).toBeUndefined();
});

test('what is on is told apart by weeks, and is in each that it takes up a day of', () => {
    const items = [item('before', '2026-10-01', '2026-10-03'), item('over the end', '2026-11-07', '2026-11-10'), item('night', '2026-11-08T22:00', '2026-11-09T06:00'), item('one day', '2026-11-11T09:00', '2026-11-11T10:00'), item('after', '2026-11-16', '2026-11-17')];
    expect(byWeek(items, '2026-11-02', 2).map((of) => titles(of))).toEqual([['over the end', 'night'], ['over the end', 'night', 'one day']]);
    expect(byWeek([item('all along', '2026-10-01', '2027-01-01')], '2026-11-02', 3).map((of) => of.length)).toEqual([1, 1, 1]);
});
