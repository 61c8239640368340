import { act, renderHook } from '@testing-library/react';
import { expect, test } from 'vitest';
import { quietDays } from '@/features/sheet/useSheet';
import { useSelection } from '@/features/table/useSelection';
import { cleared, copied, pasted, pasteInto, spread } from '@/features/table/clipboard';
import { cellText, COLUMNS, copyText, whenText, whenTyped, type Row } from '@/features/table/columns';
import { askedConditions, narrowed } from '@/features/table/narrowed';
import { useCells } from '@/features/table/useCells';
import { changeOf, NOTHING } from '@/features/table/ChangeFields';
import { dueWords, reminderWords } from '@/features/reminders/reminderWords';

function row(id: number, more: Partial<Row> = {}): Row {
    return {
        id, occurrence: null, layer: 0, calendar: 'slip', title: `Event ${id}`, place: 'Slip 2', categories: ['launch', 'wet'], responsible: ['Esi Marchetti'], allDay: false,
        start: '2026-11-10T09:00', end: '2026-11-10T10:30', status: 'confirmed', private: false, repeats: false, pinned: false, colour: null, hold: null, external: false,
        times: 1, addedBy: 'Ines Halloran', changedAt: '2026-11-01T08:00:00Z', version: 4, ...more,
    };
}

test('when an event is, in a cell: as short as can be, with the year where it is another', () => {
    expect(whenText(row(1), '2026')).toBe('Tue 10 Nov, 9:00–10:30');
    expect(whenText(row(1, { end: '2026-11-10T09:00' }), '2026')).toBe('Tue 10 Nov, 9:00');
    expect(whenText(row(1, { end: '2026-11-11T06:00' }), '2026')).toBe('Tue 10 Nov, 9:00 – Wed 11 Nov, 6:00');
    expect(whenText(row(1, { allDay: true, start: '2026-11-10', end: '2026-11-11' }), '2026')).toBe('Tue 10 Nov');
    expect(whenText(row(1, { allDay: true, start: '2026-12-30', end: '2027-01-03' }), '2026')).toBe('Wed 30 Dec – Sat 2 Jan 2027');
});

test('what is written anew begins with what the server reads as the same again', () => {
    expect(whenTyped(row(1))).toBe('2026-11-10 09:00–10:30');
    expect(whenTyped(row(1, { end: '2026-11-11T06:00' }))).toBe('2026-11-10 09:00 to 2026-11-11 06:00');
    expect(whenTyped(row(1, { allDay: true, start: '2026-11-10', end: '2026-11-11' }))).toBe('2026-11-10');
    expect(whenTyped(row(1, { allDay: true, start: '2026-11-10', end: '2026-11-13' }))).toBe('2026-11-10 to 2026-11-12');
});

test('each column has its text', () => {
    const text = (key: (typeof COLUMNS)[number]['key']) => cellText(row(1, { status: 'provisional' }), key, (slug) => slug.toUpperCase(), '2026');
    expect([text('calendar'), text('categories'), text('responsible'), text('status'), text('place'), text('title'), text('addedBy')]).toEqual(['SLIP', 'launch, wet', 'Esi Marchetti', 'provisional', 'Slip 2', 'Event 1', 'Ines Halloran']);
    expect(text('changedAt')).not.toBe('');
    expect(cellText(row(1, { changedAt: '' }), 'changedAt', String, '2026')).toBe('');
});

test('a copied table is taken apart by its lines and tabs, however they end', () => {
    expect(pasted('a\tb\r\nc\t\r\n')).toEqual([['a', 'b'], ['c', '']]);
    expect(pasted('a\rb')).toEqual([['a'], ['b']]);
    expect(pasted(' a \n\nb\n')).toEqual([['a'], [''], ['b']]);
});

test('what is pasted goes to the right and down, into what can be written, as far as there are rows', () => {
    const columns = COLUMNS.filter((each) => ['title', 'place', 'addedBy', 'status'].includes(each.key));
    const rows = [row(1), row(2), row(3)];
    expect(pasteInto([['x'], ['y']], rows, 1, columns, 1)).toEqual({ events: [{ id: 2, version: 4, cells: { place: 'x' } }, { id: 3, version: 4, cells: { place: 'y' } }], left: 0 });
    expect(pasteInto([['x', 'cancelled', 'nobody'], ['', 'confirmed']], rows, 0, columns, 1)).toEqual({
        events: [{ id: 1, version: 4, cells: { place: 'x', status: 'cancelled' } }, { id: 2, version: 4, cells: { place: '', status: 'confirmed' } }], left: 0,
    });
    expect(pasteInto([['x'], ['y'], ['z']], rows, 2, columns, 0)).toEqual({ events: [{ id: 3, version: 4, cells: { title: 'x' } }], left: 2 });
    // A column that is not written takes nothing.
    expect(pasteInto([['x']], rows, 0, columns, 3)).toEqual({ events: [], left: 0 });
});

test('of a series it is told which time stands in the row', () => {
    const columns = COLUMNS.filter((each) => each.key === 'when');
    expect(pasteInto([['14:00']], [row(1, { occurrence: '2026-11-10T09:00:00Z', repeats: true })], 0, columns, 0).events).toEqual([{ id: 1, version: 4, cells: { when: '14:00' }, occurrence: '2026-11-10T09:00:00Z' }]);
});

test('what is copied comes back as it was, and no spreadsheet takes it for a formula', () => {
    const rows = [['=1+1', 'Slip 2'], ['-', 'a < b'], ['', '+44 1234']];
    const { text, html } = copied(rows);
    expect(text).toBe("'=1+1\tSlip 2\n'-\ta < b\n\t'+44 1234");
    expect(html).toContain('<td>a &lt; b</td>');
    expect(html).not.toContain('<td>=');
    expect(pasted(text)).toEqual(rows);
    // An apostrophe that is meant stays.
    expect(pasted(copied([["'tis"]]).text)).toEqual([["'tis"]]);
    // Lines in a cell would be rows of their own.
    expect(copied([['two\nlines']]).text).toBe('two lines');
});

test('a cell is copied as it can be typed again', () => {
    const copy = (key: (typeof COLUMNS)[number]['key']) => copyText(row(1), key, (slug) => slug.toUpperCase());
    expect([copy('when'), copy('calendar'), copy('categories'), copy('changedAt')]).toEqual(['2026-11-10 09:00–10:30', 'SLIP', 'launch, wet', '2026-11-01T08:00:00Z']);
});

test('what fits into a block a whole number of times fills it, and nothing else does', () => {
    const block = (bottom: number, right: number) => ({ top: 0, left: 0, bottom, right });
    expect(spread([['x']], block(1, 1))).toEqual([['x', 'x'], ['x', 'x']]);
    expect(spread([['a'], ['b']], block(3, 0))).toEqual([['a'], ['b'], ['a'], ['b']]);
    expect(spread([['a', 'b']], block(1, 1))).toEqual([['a', 'b'], ['a', 'b']]);
    expect(spread([['a'], ['b']], block(2, 0))).toEqual([['a'], ['b']]);
    expect(spread([['a'], ['b'], ['c']], block(0, 0))).toEqual([['a'], ['b'], ['c']]);
});

test('a block is cleared where a cell may be empty', () => {
    const columns = COLUMNS.filter((each) => ['title', 'place', 'categories'].includes(each.key));
    expect(cleared([row(1), row(2)], columns, { top: 0, left: 0, bottom: 1, right: 1 })).toEqual([1, 2].map((id) => ({ id, version: 4, cells: { place: '' } })));
    expect(cleared([row(1)], columns, { top: 0, left: 1, bottom: 0, right: 2 })).toEqual([{ id: 1, version: 4, cells: { place: '', categories: '' } }]);
    expect(cleared([row(1)], columns, { top: 0, left: 0, bottom: 0, right: 0 })).toEqual([]);
});

test('a block stays with its events when rows come in above', () => {
    const { result, rerender } = renderHook(({ ids }) => useCells(ids.map((id) => ({ id }))), { initialProps: { ids: [1, 2, 3] } });
    act(() => result.current.goTo({ row: 1, column: 2 }));
    expect(result.current.many).toBe(false);
    act(() => result.current.goTo({ row: 2, column: 3 }, true));
    expect(result.current.block).toEqual({ top: 1, left: 1, bottom: 2, right: 2 });
    rerender({ ids: [9, 1, 2, 3] });
    expect([result.current.cursor, result.current.block]).toEqual([{ row: 3, column: 3 }, { top: 2, left: 1, bottom: 3, right: 2 }]);
    // The box is no part of a block.
    act(() => result.current.goTo({ row: 3, column: 0 }, true));
    expect(result.current.many).toBe(false);
    // What the keyboard is on has gone: it stays at its place.
    act(() => result.current.goTo({ row: 3, column: 1 }));
    rerender({ ids: [9, 1] });
    expect(result.current.cursor).toEqual({ row: 1, column: 1 });
});

test('what a table is narrowed to becomes conditions of every layer that is kept', () => {
    const asked = { through: { overlay: 'all', calendar: undefined, of: undefined, as: undefined, zone: 'Europe/London', categories: ['wet'], words: 'haul', people: [3], group: 'layer' as const }, span: { from: '2026-11-01', to: '2026-12-01' }, status: 'provisional' as const, hidden: [], sorting: { by: 'when' as const, descending: false } };
    expect(askedConditions(asked).map((each) => each.about)).toEqual(['category', 'words', 'people', 'status']);
    expect(askedConditions({ ...asked, status: '', through: { ...asked.through, categories: [], words: undefined, people: [] } })).toEqual([]);
    const layer = { name: 'Slip', colour: 'sea' as const, mark: 'disc' as const, pattern: 'plain' as const, takes: 'chosen' as const, group: null, calendars: ['slip'], conditions: [{ about: 'busy' as const, is: true, not: false }] };
    expect(narrowed([layer], askedConditions(asked))[0]?.conditions.map((each) => each.about)).toEqual(['busy', 'category', 'words', 'people', 'status']);
    expect(layer.conditions).toHaveLength(1);
});

test('of a change of many only what was said is sent', () => {
    expect(changeOf('set', NOTHING)).toEqual({});
    expect(changeOf('set', { ...NOTHING, place: ' Quay ', status: 'cancelled', time: 'free', addCategories: ['wet'] })).toEqual({ place: 'Quay', status: 'cancelled', busy: false, addCategories: ['wet'] });
    expect(changeOf('set', { ...NOTHING, place: 'Quay', noPlace: true, calendar: 'slip' })).toEqual({ place: '', calendar: 'slip' });
    expect(changeOf('set', { ...NOTHING, add: [{ kind: 'room', id: 3, name: 'Long loft', part: 'required' }], drop: [{ kind: 'person', id: 4, name: 'Esi' }] })).toEqual({
        addParticipants: [{ kind: 'room', id: 3, part: 'required' }], dropParticipants: [{ kind: 'person', id: 4 }],
    });
    expect(changeOf('shift', { ...NOTHING, weeks: -1, days: 2, minutes: 30 })).toEqual({ shiftDays: -5, shiftMinutes: 30 });
    expect(changeOf('copy', { ...NOTHING, weeks: 12, calendar: 'loft' })).toEqual({ copyDays: 84, calendar: 'loft' });
    expect(changeOf('delete', { ...NOTHING, place: 'Quay' })).toEqual({ delete: true });
});

test('reminders and due days are told in plain words', () => {
    expect([0, 10, 60, 90, 120, 1440, 2880, 10_080].map(reminderWords)).toEqual(['when it starts', '10 minutes before', '1 hour before', '90 minutes before', '2 hours before', '1 day before', '2 days before', '1 week before']);
    expect([-7, -1, 0, 1, 3].map(dueWords)).toEqual(['7 days before', '1 day before', 'on the day', '1 day after', '3 days after']);
});

test('a choice is narrowed to what still matches, and says how many are left out', () => {
    const rows = [1, 2, 3].map((id) => ({ id, version: 1, hold: null }));
    const { result } = renderHook(() => useSelection(rows));
    act(() => result.current.all(rows));
    let fewer = 0;
    act(() => void (fewer = result.current.narrow([{ id: 2, version: 4 }, { id: 9, version: 1 }])));
    expect(fewer).toBe(2);
    expect(result.current.events.map(({ id }) => id)).toEqual([2]);
    act(() => void (fewer = result.current.narrow([{ id: 2, version: 4 }])));
    expect(fewer).toBe(0);
    expect(result.current.has(2)).toBe(true);
});

test('an endless list knows for how long nothing has come', () => {
    expect(quietDays(14, [])).toBe(0);
    expect(quietDays(14, [true])).toBe(0);
    expect(quietDays(14, [false])).toBe(14);
    expect(quietDays(14, [false, false, false])).toBe(14 + 28 + 56);
    expect(quietDays(14, [false, true, false])).toBe(56);
    // Six sheets of an empty calendar, and it is at its end.
    expect(quietDays(14, [false, false, false, false, false])).toBeGreaterThanOrEqual(365);
});
