import { expect, test } from 'vitest';
import { changesOf, endAfter, inputOf, valuesOf } from '@/features/events/eventValues';
import { isLastOf, ordinalOf, pickOf, ruleInputOf } from '@/features/recurrence/repeatValues';
import type { Event } from '@/features/events/useEventActions';
import { madeParticipant } from './made';
import { readRotaSearch } from '@/features/sheet/rotaSearch';
import { stepped, windowOf } from '@/features/rota/useWindow';
import { daysBetween, daysFrom, formatSpan, formatWhen, isDate, startOfWeek, timeOfDay, weekNumber } from '@/time/dates';

const PICK = { unit: 'week', interval: 2, weekdays: ['TU', 'TH'], monthBy: 'date' } as const;
const WORDS = { one: '', following: '', all: '' };

const event: Event = {
    id: 7, occurrence: null, calendar: 'slip', title: 'Rowing', busyOnly: false, allDay: false, start: '2026-11-03T09:30', end: '2026-11-03T11:00',
    timezone: 'Europe/London', endTimezone: null, endThere: null, links: [], startsAt: '2026-11-03T09:30:00Z', endsAt: '2026-11-03T11:00:00Z', organiser: { id: 2, name: 'Ines Halloran', chosen: false }, place: 'Pontoon', link: '', description: '', status: 'provisional', busy: false, private: true, categories: ['safety'],
    participants: [
        madeParticipant({ id: 4, name: 'Esi Marchetti', part: 'responsible', answer: 'accepted' }), madeParticipant({ kind: 'group', id: 5, name: 'Rigging', part: 'optional', size: 2 }), madeParticipant({ kind: 'other', id: null, name: 'A boat' }),
        madeParticipant({ kind: 'other', id: null, name: 'A guest', address: 'guest@example.org', answer: 'declined' }), madeParticipant({ id: 9, name: 'Ben Oar', memberOf: 5 }),
    ],
    answer: null, ownReminders: [], places: 8, placesTaken: 2, waitsAt: null, travel: 20, leave: '2026-11-03T09:10', guests: ['bring'], askWhen: 'provisional', asks: true, mayBring: false, seesAsked: true, remarks: null,
    repeat: { words: 'every week', rule: 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH', several: false, within: null, until: '2026-12-17', count: null, skipped: ['2026-11-17'], extra: [], changed: [], pick: { ...PICK, weekdays: [...PICK.weekdays] }, changing: WORDS, deleting: WORDS },
    priority: 5, colour: 'plum', reminders: [30], joinable: true, tasks: [{ id: 3, title: 'Book the slip', days: -7, due: '2026-10-27', doer: { id: 4, name: 'Esi Marchetti' }, done: true }],
    attachments: [], copyOf: null, origin: null, pins: [], pinned: false, joined: false, joiners: 0, joinerNames: [],
    addedBy: null, addedAt: null, changedBy: null, changedAt: null, mayChange: true, mayDelete: true, version: 3,
};

test('an event goes through the form unchanged', () => {
    const input = inputOf(valuesOf(event), true);
    expect(input).toEqual({
        calendar: 'slip', title: 'Rowing', allDay: false, start: '2026-11-03T09:30', end: '2026-11-03T11:00', place: 'Pontoon', link: '', meeting: null, description: '',
        categories: ['safety'], participants: [{ kind: 'person', id: 4, part: 'responsible' }, { kind: 'group', id: 5, part: 'optional' }, { kind: 'address', address: 'guest@example.org', name: 'A guest', part: 'required' }], organiser: null, places: 8, travel: 20, guests: ['bring'], askWhen: 'provisional', status: 'provisional', busy: false, private: true,
        priority: 5, colour: 'plum', reminders: [30], joinable: true, tasks: [{ id: 3, title: 'Book the slip', days: -7, doer: 4 }], repeat: { pick: PICK, until: '2026-12-17', count: null, within: null },
    });
    expect(inputOf(valuesOf(event), false)).not.toHaveProperty('repeat');
});

test('the last day of an all-day event is told as people say it, and sent exclusive', () => {
    const values = valuesOf({ ...event, allDay: true, start: '2026-11-03', end: '2026-11-06', repeat: null });
    expect([values.startDate, values.endDate]).toEqual(['2026-11-03', '2026-11-05']);
    expect(inputOf(values, true)).toMatchObject({ start: '2026-11-03', end: '2026-11-06', repeat: null });
    expect(inputOf({ ...values, allDay: false }, false)).toMatchObject({ start: '2026-11-03T09:00', end: '2026-11-05T10:00' });
});

test('a new event repeats on its own weekday unless told otherwise', () => {
    const values = valuesOf({ begun: 1, calendar: 'slip', title: '', allDay: false, start: '2026-11-07T09:00', end: '2026-11-07T10:00' });
    expect([values.repeats, values.weekdays]).toEqual([false, ['SA']]);
    expect(inputOf({ ...values, repeats: true, ends: 'count', count: 5 }, true).repeat).toEqual({ pick: { unit: 'week', interval: 1, weekdays: ['SA'], monthBy: 'date' }, until: null, count: 5, within: null });
    expect(inputOf({ ...values, repeats: true, unit: 'month', monthBy: 'weekday', interval: 2 }, true).repeat).toEqual({ pick: { unit: 'month', interval: 2, weekdays: [], monthBy: 'weekday' }, until: null, count: null, within: null });
    // Kept to weeks of school, unless days are chosen one by one.
    expect(inputOf({ ...values, repeats: true, within: 'A' }, true).repeat?.within).toBe('A');
    expect(inputOf({ ...values, repeats: true, unit: 'dates', within: 'A' }, true).repeat?.within).toBeNull();
    expect(inputOf({ ...values, repeats: true, ends: 'never' }, true).repeat).toEqual({ pick: { unit: 'week', interval: 1, weekdays: ['SA'], monthBy: 'date' }, until: null, count: null, within: null });
});

test('only what was changed is sent: of the time all, and dates left out only where they were touched', () => {
    const values = valuesOf(event);
    const before = inputOf(values, true);
    expect(changesOf(before, inputOf(values, true))).toEqual({});
    expect(changesOf(before, inputOf({ ...values, endTime: '12:00', place: 'Slip', timezone: 'Europe/Paris' }, true))).toEqual({ allDay: false, start: '2026-11-03T09:30', end: '2026-11-03T12:00', timezone: 'Europe/Paris', place: 'Slip' });
    expect(changesOf(before, inputOf({ ...values, skipped: [], datesTouched: true }, true))).toEqual({ repeat: { pick: PICK, until: '2026-12-17', count: null, within: null, skipped: [], extra: [] } });
    expect(changesOf(before, inputOf({ ...values, colour: null, tasks: [] }, true))).toEqual({ colour: null, tasks: [] });
});

test('a start that moves takes the end along, over midnight and months', () => {
    const values = valuesOf({ ...event, start: '2026-11-30T22:00', end: '2026-12-01T02:00' });
    expect(endAfter(values, '2026-11-30', '23:30')).toEqual({ endDate: '2026-12-01', endTime: '03:30' });
    expect(endAfter(values, '2026-12-31', '22:00')).toEqual({ endDate: '2027-01-01', endTime: '02:00' });
});

test('what an address says is read, and what it cannot mean is left out', () => {
    expect(readRotaSearch({ view: 'month', date: '2026-11-03', categories: ['a', 3], off: [1, 'x'], event: 7, occurrence: '2026-11-03', overlay: 'all' })).toEqual({
        view: 'month', date: '2026-11-03', categories: ['a'], off: [1], event: 7, occurrence: '2026-11-03', overlay: 'all',
    });
    expect(readRotaSearch({ view: 'spiral', date: '2026-02-30', categories: 'a', off: 'x', event: 'seven', overlay: 3 })).toEqual({});
    expect(readRotaSearch({ weeks: 8, group: 'person', side: true, words: 'rope', people: [4, 'x'], beside: 'all', besideDate: '2026-11-09' })).toEqual({
        weeks: 8, group: 'person', side: true, words: 'rope', people: [4], beside: 'all', besideDate: '2026-11-09',
    });
    expect(readRotaSearch({ weeks: 9, group: 'layer', side: 'yes', words: '', people: 4, besideDate: 'soon' })).toEqual({});
});

test('each view draws whole weeks around its date, or the days that fit', () => {
    expect(windowOf('lanes', '2026-11-11', 14)).toEqual({ span: { from: '2026-11-09', to: '2026-11-23' }, focus: { from: '2026-11-09', to: '2026-11-23' } });
    expect(windowOf('lanes', '2026-11-11', 3).span).toEqual({ from: '2026-11-11', to: '2026-11-14' });
    expect(windowOf('month', '2026-11-11', 14)).toEqual({ span: { from: '2026-10-26', to: '2026-12-07' }, focus: { from: '2026-11-01', to: '2026-12-01' } });
    expect(windowOf('year', '2026-11-11', 14).span).toEqual({ from: '2026-01-01', to: '2027-01-01' });
    expect(windowOf('list', '2026-11-11', 14).span).toEqual({ from: '2026-11-11', to: '2026-12-09' });
    // Where weeks begin on another day than Monday.
    expect(windowOf('lanes', '2026-11-11', 14, 'SU').span).toEqual({ from: '2026-11-08', to: '2026-11-22' });
    expect(windowOf('month', '2026-11-11', 14, 'SA').span).toEqual({ from: '2026-10-31', to: '2026-12-05' });
    // February 2027 begins on a Monday and fills four weeks to the day.
    expect(windowOf('month', '2027-02-28', 14).span).toEqual({ from: '2027-02-01', to: '2027-03-01' });
});

test('a step turns to the next week, page or month', () => {
    expect(stepped('lanes', '2026-11-11', 14, 1)).toBe('2026-11-18');
    expect(stepped('lanes', '2026-11-11', 3, -1)).toBe('2026-11-08');
    expect(stepped('list', '2026-11-11', 14, 1)).toBe('2026-11-18');
    expect(stepped('year', '2028-02-29', 14, 1)).toBe('2029-02-28');
    expect(stepped('month', '2026-01-31', 14, 1)).toBe('2026-02-01');
    expect(stepped('month', '2026-01-31', 14, -1)).toBe('2025-12-01');
});

test('dates are counted over clock changes, leap days and years', () => {
    expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
    expect(daysBetween('2028-02-28', '2028-03-01')).toBe(2);
    expect(daysFrom('2026-12-30', 4)).toEqual(['2026-12-30', '2026-12-31', '2027-01-01', '2027-01-02']);
    expect(startOfWeek('2026-11-01')).toBe('2026-10-26');
    expect(startOfWeek('2026-11-02')).toBe('2026-11-02');
    expect(weekNumber('2027-01-01')).toBe(53);
    expect([isDate('2026-02-29'), isDate('2028-02-29'), isDate('2026-1-1'), isDate(null)]).toEqual([false, true, false, false]);
});

test('times and spans are told in plain words', () => {
    expect(timeOfDay('2026-11-02T09:05')).toBe('9:05');
    expect(formatSpan('2026-11-02', '2026-11-15')).toBe('2 – 15 November');
    expect(formatSpan('2026-11-30', '2026-12-13')).toBe('30 Nov – 13 Dec');
    expect(formatWhen({ allDay: false, start: '2026-11-02T09:00', end: '2026-11-02T10:30' })).toBe('Monday 2 November, 9:00–10:30');
    expect(formatWhen({ allDay: false, start: '2026-11-02T12:00', end: '2026-11-02T12:00' })).toBe('Monday 2 November, 12:00');
    expect(formatWhen({ allDay: false, start: '2026-11-02T22:00', end: '2026-11-03T06:00' })).toBe('Mon 2 Nov, 22:00 to Tue 3 Nov, 6:00');
    expect(formatWhen({ allDay: true, start: '2026-11-02', end: '2026-11-03' })).toBe('Monday 2 November, all day');
    expect(formatWhen({ allDay: true, start: '2026-11-02', end: '2026-11-05' })).toBe('Mon 2 Nov to Wed 4 Nov');
});

test('a form begins with what was picked, with what is written where there is no such pick, or with days chosen one by one', () => {
    const start = '2026-11-10';
    const month = { unit: 'month', interval: 3, weekdays: [], monthBy: 'last day' } as const;
    expect(pickOf({ rule: 'FREQ=MONTHLY;INTERVAL=3;BYMONTHDAY=-1', pick: { ...month, weekdays: [] } }, start)).toEqual({ ...month, ruleText: 'FREQ=MONTHLY;INTERVAL=3;BYMONTHDAY=-1' });
    expect(pickOf({ rule: 'FREQ=HOURLY', pick: null }, start)).toMatchObject({ unit: 'rule', ruleText: 'FREQ=HOURLY', weekdays: ['TU'] });
    expect(pickOf({ rule: null, pick: null }, start)).toMatchObject({ unit: 'dates', ruleText: '' });
    expect(pickOf(null, start)).toEqual({ unit: 'week', interval: 1, weekdays: ['TU'], monthBy: 'date', ruleText: '' });
});

test('a repeat is sent as it was picked, or as it is written', () => {
    const week = { ...pickOf(null, '2026-11-10'), weekdays: ['FR', 'TU'] as ('FR' | 'TU')[] };
    expect(ruleInputOf(week)).toEqual({ pick: { unit: 'week', interval: 1, weekdays: ['TU', 'FR'], monthBy: 'date' } });
    // What belongs to another unit goes with none.
    expect(ruleInputOf({ ...week, unit: 'month', monthBy: 'weekday' })).toEqual({ pick: { unit: 'month', interval: 1, weekdays: [], monthBy: 'weekday' } });
    expect(ruleInputOf({ ...week, unit: 'day', monthBy: 'weekday' })).toEqual({ pick: { unit: 'day', interval: 1, weekdays: [], monthBy: 'date' } });
    expect(ruleInputOf({ ...week, unit: 'rule', ruleText: ' RRULE:FREQ=DAILY ' })).toEqual({ rule: 'FREQ=DAILY' });
    expect(ruleInputOf({ ...week, unit: 'dates' })).toEqual({});
});

test('a repeat that counts weekdays of a month is sent along with another day, and no other is', () => {
    const monthly = { unit: 'month', interval: 1, weekdays: [], monthBy: 'weekday' as 'weekday' | 'date' } as const;
    const changed = (monthBy: 'weekday' | 'date') => {
        const values = valuesOf({ ...event, repeat: { ...event.repeat!, pick: { ...monthly, weekdays: [], monthBy } } });
        return changesOf(inputOf(values, true), inputOf({ ...values, startDate: '2026-11-04', endDate: '2026-11-04' }, true));
    };
    expect(changed('weekday')).toHaveProperty('repeat.pick.monthBy', 'weekday');
    expect(changed('date')).not.toHaveProperty('repeat');
});

test('the days of a month are counted by their weekdays', () => {
    expect([ordinalOf('2026-11-01'), ordinalOf('2026-11-07'), ordinalOf('2026-11-08'), ordinalOf('2026-11-30')]).toEqual([1, 1, 2, 5]);
    expect([isLastOf('2026-11-23'), isLastOf('2026-11-24'), isLastOf('2026-12-31')]).toEqual([false, true, true]);
});
