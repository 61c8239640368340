import { expect, test } from 'vitest';
import type { Sheet } from '@/features/sheet/useSheet';
import type { Item } from '@/features/sheet/geometry';
import { landed, refusalOf, resized, rowChange, rowWords, type Move } from '@/features/sheet/landing';
import { begunIn, laneRows, wouldStandIn, type LaneRow } from '@/features/sheet/rows';

const item: Item = {
    id: 1, occurrence: null, layer: 0, also: [], calendar: 'slip', title: 'Haul out', place: 'Slip 2', categories: ['launch'], allDay: false, start: '2026-11-10T09:00', end: '2026-11-10T11:00',
    status: 'confirmed', busyOnly: false, private: false, repeats: false, hold: null, external: false, unanswered: false, responsible: [], rows: [0, 2],
};
const whole: Item = { ...item, allDay: true, start: '2026-11-10', end: '2026-11-12' };

function row(kind: LaneRow['kind'], key: string, name: string, more: Partial<LaneRow> = {}): LaneRow {
    return { kind, key, name, about: '', ink: null, mark: null, target: undefined, refusal: null, calendars: null, begun: null, items: [], ...more };
}

const move = (part: Partial<Move>): Move => ({ item, startBy: 0, endBy: 0, rows: null, ...part });

test('a move takes hours over midnight and clock changes on the wall, and whole days as days', () => {
    expect(landed(move({ startBy: 16 * 60, endBy: 16 * 60 }))).toEqual({ start: '2026-11-11T01:00', end: '2026-11-11T03:00', allDay: false });
    expect(landed({ ...move({ startBy: 1440, endBy: 1440 }), item: { ...item, start: '2026-10-24T01:30', end: '2026-10-24T02:30' } })).toMatchObject({ start: '2026-10-25T01:30', end: '2026-10-25T02:30' });
    expect(landed({ ...move({ startBy: -2880, endBy: -2880 }), item: whole })).toEqual({ start: '2026-11-08', end: '2026-11-10', allDay: true });
});

test('either end is taken, and never past the other', () => {
    expect(resized(item, 'end', 45)).toMatchObject({ startBy: 0, endBy: 45 });
    expect(landed(resized(item, 'end', -600))).toMatchObject({ start: '2026-11-10T09:00', end: '2026-11-10T09:15' });
    expect(landed(resized(item, 'start', 600))).toMatchObject({ start: '2026-11-10T10:45', end: '2026-11-10T11:00' });
    expect(landed(resized(item, 'start', -60))).toMatchObject({ start: '2026-11-10T08:00' });
    expect(landed(resized(whole, 'end', -5 * 1440))).toMatchObject({ start: '2026-11-10', end: '2026-11-11' });
    expect(landed(resized(whole, 'end', 1440))).toMatchObject({ end: '2026-11-13' });
    expect(resized({ ...item, end: item.start }, 'end', -60)).toMatchObject({ endBy: -0 });
});

test('what may not be dropped says why', () => {
    const to = (target: LaneRow) => move({ rows: { from: row('layer', 'Slip', 'Slip', { calendars: ['slip'] }), to: target } });
    expect(refusalOf({ ...move({}), item: { ...item, hold: 'outside' } })).toBe('It comes from outside and is changed there.');
    expect(refusalOf({ ...to(row('layer', 'Loft', 'Loft', { target: 'loft', calendars: ['loft'] })), item: { ...item, hold: 'level' } })).toBe('You may look at this event, not change it.');
    expect(refusalOf(to(row('layer', 'Loft', 'Loft', { target: 'loft', calendars: ['loft'] })))).toBeNull();
    expect(refusalOf(to(row('layer', 'Tides', 'Tides', { target: null, refusal: 'You may not add to Tides.', calendars: ['tides'] })))).toBe('You may not add to Tides.');
    expect(refusalOf(to(row('layer', 'Tests', 'Tests', { target: 'slip', calendars: ['slip', 'loft'] })))).toBe('Both layers are of its calendar: what tells them apart is in the event itself.');
    expect(refusalOf(to(row('place', '*', 'Hidden from you', { refusal: 'Nothing can be put among what is hidden from you.' })))).toBe('Nothing can be put among what is hidden from you.');
    expect(refusalOf(to(row('place', '', 'No place')))).toBeNull();
});

test('to another row it is told from which row to which; to another layer, the calendar', () => {
    const change = (from: LaneRow, to: LaneRow) => rowChange({ from, to });
    expect(change(row('layer', 'a', 'a'), row('layer', 'b', 'b', { target: 'loft' }))).toEqual({ calendar: 'loft' });
    expect(change(row('place', 'slip 2', 'Slip 2'), row('place', 'long loft', 'Long loft'))).toEqual({ row: { by: 'place', from: 'slip 2', to: 'Long loft' } });
    expect(change(row('place', 'slip 2', 'Slip 2'), row('place', '', 'No place'))).toEqual({ row: { by: 'place', from: 'slip 2', to: '' } });
    expect(change(row('category', 'launch', 'launch'), row('category', 'assessment', 'Assessment'))).toEqual({ row: { by: 'category', from: 'launch', to: 'Assessment' } });
    expect(change(row('person', '4', 'Esi'), row('person', '9', 'Bea'))).toEqual({ row: { by: 'person', from: '4', to: '9' } });
    expect(change(row('person', '4', 'Esi'), row('person', '', 'Nobody responsible'))).toEqual({ row: { by: 'person', from: '4', to: '' } });
    expect([row('person', '9', 'Bea'), row('person', '', ''), row('place', 'x', 'X'), row('place', '', ''), row('category', 'y', 'Y'), row('layer', 'z', 'Z')].map(rowWords)).toEqual(['Bea responsible', 'nobody responsible', 'at X', 'no place', 'Y', 'on Z']);
});

test('rows are layers, or what the server tells them apart by; what is hidden counts in none', () => {
    const layer = (name: string, calendars: string[], target: string | null) => ({ name, about: '', colour: 'sea', mark: 'disc', pattern: 'plain', calendars, target });
    const sheet = {
        layers: [layer('Slip', ['slip'], 'slip'), layer('Tides', ['tides'], null)],
        rows: [{ key: '4', name: 'Esi', calendar: null, target: null, refusal: null }, { key: '', name: 'Nobody responsible', calendar: null, target: null, refusal: null }, { key: '*', name: 'Hidden from you', calendar: null, target: null, refusal: 'Hidden.' }],
        items: [item, { ...item, id: 2, layer: 1, rows: [1] }], categories: [], closed: [],
    } as unknown as Sheet;
    expect(laneRows(sheet, 'layer', new Set([1])).map(({ name, items }) => [name, items.length])).toEqual([['Slip', 1]]);
    expect(laneRows(sheet, 'person', new Set()).map(({ name, items, target }) => [name, items.length, target])).toEqual([['Esi', 1, undefined], ['Nobody responsible', 1, undefined], ['Hidden from you', 1, null]]);
    expect(laneRows(sheet, 'person', new Set([1])).map(({ items }) => items.length)).toEqual([1, 0, 1]);
});

test('what is begun in a row has what the row stands for, and stands there while it is written', () => {
    const draft = { begun: 1, calendar: 'slip', title: '', allDay: false, start: '2026-11-10T09:00', end: '2026-11-10T10:00' };
    for (const each of [row('place', 'long loft', 'Long loft'), row('category', 'visit', 'Visit'), row('person', '4', 'Esi')]) {
        expect(wouldStandIn({ ...draft, ...begunIn(each) }, each)).toBe(true);
        expect(wouldStandIn(draft, each)).toBe(false);
        expect(wouldStandIn(draft, { ...each, key: '' })).toBe(true);
        expect(begunIn({ ...each, key: '' })).toEqual({});
    }
    expect(wouldStandIn(draft, row('layer', 'Slip', 'Slip', { calendars: ['slip'] }))).toBe(true);
    expect(wouldStandIn(draft, row('layer', 'Loft', 'Loft', { calendars: ['loft'] }))).toBe(false);
});

test('an end that is taken by whole days keeps its hour, and is never past the other', () => {
    expect(landed(resized(item, 'end', 2 * 1440))).toMatchObject({ start: '2026-11-10T09:00', end: '2026-11-12T11:00' });
    const night: Item = { ...item, start: '2026-11-10T22:00', end: '2026-11-12T08:00' };
    expect(landed(resized(night, 'end', -1440)).end).toBe('2026-11-11T08:00');
    expect(landed(resized(night, 'end', -2 * 1440)).end).toBe('2026-11-11T08:00');
    expect(landed(resized(item, 'end', -1440)).end).toBe('2026-11-10T11:00');
});
