import { act, renderHook } from '@testing-library/react';
import { expect, test } from 'vitest';
import { quietDays } from '@/features/sheet/useSheet';
import { useSelection } from '@/features/table/useSelection';
import { cellText, COLUMNS, pasted, pasteInto, whenText, whenTyped, type Row } from '@/features/table/columns';
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
