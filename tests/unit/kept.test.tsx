import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { isTouched, keptLabel } from '@/features/events/keptEvent';
import { valuesOf, weekdaysAt } from '@/features/events/eventValues';
import { closeForm, forgetAllForms, forgetForm, keepForm, keptForm, openForm, useKeptForms } from '@/features/kept/keptForms';
import { useKeeping } from '@/features/kept/useKeeping';
import { zoneOf } from '@/components/ZoneField';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

test('what was written is kept until it is saved, and what nothing was written in is not', () => {
    const { result, rerender, unmount } = renderHook(({ title }: { title: string }) => useKeeping({ name: 'event.new', label: title, values: { title }, touched: title !== '' }), { initialProps: { title: '' } });
    expect(keptForm('event.new')).toBeUndefined();
    rerender({ title: 'Oar' });
    expect(keptForm('event.new')).toMatchObject({ label: 'Oar', values: { title: 'Oar' } });
    rerender({ title: '' });
    expect(keptForm('event.new')).toBeUndefined();
    rerender({ title: 'Oar test' });
    unmount();
    expect(keptForm('event.new')).toMatchObject({ values: { title: 'Oar test' } });
    act(() => result.current());
    expect(keptForm('event.new')).toBeUndefined();
    // Whatever the form says until it is gone, it is saved.
    keepForm('event.new', 'Oar test', {});
    expect(keptForm('event.new')).toBeUndefined();
    openForm('event.new');
    keepForm('event.new', 'Oar test', {});
    expect(keptForm('event.new')).toBeDefined();
});

test('they are offered, the newest first, and none to the next at the same screen', () => {
    const { result } = renderHook(() => useKeptForms('event.'));
    act(() => keepForm('event.1', 'Oar', {}));
    act(() => keepForm('overlay.new', 'Term', {}));
    expect(result.current.map(({ label }) => label)).toEqual(['Oar']);
    act(() => forgetForm('event.1'));
    expect(result.current).toEqual([]);
    act(() => keepForm('event.2', 'Mast', {}));
    act(() => forgetAllForms());
    expect([result.current, keptForm('overlay.new')]).toEqual([[], undefined]);
    localStorage.setItem('rota.kept.event.3', 'no longer readable');
    act(() => closeForm('event.4'));
    expect(result.current).toEqual([]);
});

test('where a new event was pointed at is no writing; a title is, wherever it was typed', () => {
    const begun = valuesOf({ begun: 1, calendar: 'slip', title: '', allDay: false, start: '2026-11-26T09:00', end: '2026-11-26T10:00' });
    expect(isTouched({ ...begun, calendar: 'loft', startDate: '2026-11-27', allDay: true }, begun, true)).toBe(false);
    expect(isTouched({ ...begun, title: 'Oar' }, { ...begun, title: 'Oar' }, true)).toBe(true);
    expect(isTouched({ ...begun, description: 'x' }, begun, true)).toBe(true);
    expect(isTouched({ ...begun, startDate: '2026-11-27' }, begun, false)).toBe(true);
    expect(isTouched(begun, begun, false)).toBe(false);
    expect(keptLabel({ ...begun, title: ' Oar test ' })).toBe('Oar test, Thu 26 Nov 09:00');
    expect(keptLabel({ ...begun, allDay: true })).toBe('an event without a title, Thu 26 Nov');
});

test('the day of a weekly repeat follows its date', () => {
    const at = (weekdays: Parameters<typeof weekdaysAt>[0]['weekdays'], to: string) => weekdaysAt({ startDate: '2026-11-26', weekdays }, to);
    expect(at(['TH'], '2026-11-27')).toEqual(['FR']);
    expect(at(['MO', 'TH'], '2026-11-27')).toEqual(['MO', 'FR']);
    expect(at(['MO', 'TH'], '2026-11-30')).toEqual(['MO']);
    expect(at(['TH'], '2026-12-03')).toEqual(['TH']);
    // One that is not of its days stays apart from them.
    expect(at(['MO'], '2026-11-27')).toEqual(['MO']);
    expect(at(['TH'], '')).toEqual(['TH']);
});

test('a zone is found by its name or by a city of it', () => {
    expect([zoneOf('new york'), zoneOf('oslo'), zoneOf('europe/london'), zoneOf('America/New_York'), zoneOf(' Nowhere ')]).toEqual(['America/New_York', 'Europe/Oslo', 'Europe/London', 'America/New_York', 'Nowhere']);
});
