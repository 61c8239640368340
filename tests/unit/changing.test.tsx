import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { queryKeys } from '@/api/queryKeys';
import { useEventActions, type Event } from '@/features/events/useEventActions';
import { useEventSaves } from '@/features/events/useEventSaves';
import { following } from '@/features/events/scope';
import { lastDone, lastUndone } from '@/features/history/operations';
import { useUndoKeys } from '@/features/history/useUndo';
import type { Item } from '@/features/sheet/geometry';
import type { Move } from '@/features/sheet/landing';
import type { LaneRow } from '@/features/sheet/rows';
import type { Sheet } from '@/features/sheet/useSheet';
import { useBulk } from '@/features/table/useBulk';
import { fakeServer, job, withQueries } from './server';

const said = vi.hoisted(() => ({ words: [] as string[], errors: [] as string[] }));

vi.mock('@/toast/toast', () => {
    const toast = (words: string) => void said.words.push(words);
    toast.error = (words: string) => void said.errors.push(words);
    return { toast };
});

const item = (id: number, start: string, more: Partial<Item> = {}): Item => ({
    id, occurrence: null, layer: 0, also: [], calendar: 'slip', title: `Event ${id}`, place: '', categories: [], allDay: false, start, end: start.replace('T09', 'T10'),
    status: 'confirmed', busyOnly: false, private: false, repeats: false, hold: null, external: false, unanswered: false, responsible: [], ...more,
});
const event = { id: 1, version: 4, calendar: 'slip', title: 'Haul out', start: '2026-11-10T09:00', end: '2026-11-10T10:00', occurrence: null } as Event;
const sheetOf = (...items: Item[]): Sheet => ({ layers: [], rows: [], items, categories: [], closed: [], weeks: [], terms: [], colours: [] });
const DAY = 24 * 60;

beforeEach(() => {
    said.words = [];
    said.errors = [];
});

afterEach(() => {
    cleanup();
    vi.useRealTimers();
});

/** The sheet is known already; what it becomes is looked at in the cache. */
function rendered(sheet: Sheet) {
    const { client, wrapper } = withQueries();
    client.setQueryData(queryKeys.sheet('all', 'week'), sheet);
    const { result } = renderHook(() => ({ ...useEventActions(), ...useEventSaves() }), { wrapper });
    const starts = () => client.getQueryData<Sheet>(queryKeys.sheet('all', 'week'))?.items.map(({ id, start }) => `${id} ${start}`);
    return { result, starts };
}

const move = (moved: Item, part: Partial<Move> = {}): Move => ({ item: moved, startBy: DAY, endBy: DAY, rows: null, ...part });

test('what is moved stands where it was put before the server has answered, in order, and is put back where it refuses', async () => {
    let refuse = false;
    const asked = fakeServer(({ method }) => (method === 'GET' ? { body: event } : refuse ? { status: 412, body: { title: 'Somebody else was first.', status: 412, detail: '' } } : 'never'));
    const [first, second] = [item(1, '2026-11-10T09:00'), item(2, '2026-11-10T11:00')];
    const { result, starts } = rendered(sheetOf(first, second));
    act(() => result.current.move.mutate({ move: move(first), scope: null }));
    await waitFor(() => expect(starts()).toEqual(['2 2026-11-10T11:00', '1 2026-11-11T09:00']));
    await waitFor(() => expect(asked.at(-1)).toMatchObject({ method: 'PATCH', path: '/events/1', body: { start: '2026-11-11T09:00', end: '2026-11-11T10:00' } }));
    expect(asked.at(-1)?.headers.get('If-Match')).toBe('"4"');

    refuse = true;
    const other = rendered(sheetOf(first, second));
    act(() => other.result.current.move.mutate({ move: move(first), scope: null }));
    await waitFor(() => expect(said.errors).toEqual(['Somebody else was first.']));
    expect(other.starts()).toEqual(['1 2026-11-10T09:00', '2 2026-11-10T11:00']);
});

test('of a series that one time moves, or it and those after it, or all', async () => {
    fakeServer(({ method }) => (method === 'GET' ? { body: event } : 'never'));
    const days = ['2026-11-03', '2026-11-10', '2026-11-17'].map((day) => item(1, `${day}T09:00`, { occurrence: `${day}T09:00:00Z`, repeats: true }));
    const after = async (scope: string | null) => {
        const { result, starts } = rendered(sheetOf(...days));
        act(() => result.current.move.mutate({ move: move(days[1]!), scope }));
        await waitFor(() => expect(starts()).toContain('1 2026-11-11T09:00'));
        return starts()?.map((each) => each.slice(2, 12));
    };
    expect(await after('2026-11-10T09:00:00Z')).toEqual(['2026-11-03', '2026-11-11', '2026-11-17']);
    expect(await after(following('2026-11-10T09:00:00Z'))).toEqual(['2026-11-03', '2026-11-11', '2026-11-18']);
    expect(await after(null)).toEqual(['2026-11-04', '2026-11-11', '2026-11-18']);
});

test('to another row alone, its time is not told; what was done is said and can be undone', async () => {
    const asked = fakeServer(({ method }) => (method === 'GET' ? { body: event } : { body: { ...event, place: 'Loft' }, headers: { Operation: '77' } }));
    const { result } = rendered(sheetOf(item(1, '2026-11-10T09:00')));
    const row = (key: string, name: string) => ({ kind: 'place', key, name, target: undefined, refusal: null, calendars: null }) as LaneRow;
    act(() => result.current.move.mutate({ move: move(item(1, '2026-11-10T09:00'), { startBy: 0, endBy: 0, rows: { from: row('', 'No place'), to: row('loft', 'Loft') } }), scope: null }));
    await waitFor(() => expect(said.words).toEqual(['“Haul out” is now at Loft.']));
    expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ row: { by: 'place', from: '', to: 'Loft' }, soon: true });
    expect(lastDone()).toBe(77);
});

test('Control and Z undoes the last, with Shift it is done again; in a field the field has it', async () => {
    const asked = fakeServer(() => ({ status: 204 }));
    const { wrapper } = withQueries();
    renderHook(() => useUndoKeys(), { wrapper });
    const press = (target: EventTarget, shiftKey = false) => target.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, shiftKey, bubbles: true }));
    const field = document.body.appendChild(document.createElement('input'));
    press(field);
    expect(asked).toEqual([]);
    press(window);
    await waitFor(() => expect(lastUndone()).toBe(77));
    expect(asked.at(-1)).toMatchObject({ method: 'POST', path: '/operations/77/undo' });
    press(window, true);
    await waitFor(() => expect(lastDone()).toBe(77));
    expect(asked.at(-1)).toMatchObject({ path: '/operations/77/redo' });
    press(window, true);
    expect(said.words.at(-1)).toBe('There is nothing to do again.');
    field.remove();
});

test('a change of many whose answer is lost is asked for again under the same key, and done once', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    let tries = 0;
    const asked = fakeServer(({ path }) => {
        if (path !== '/bulk') return { body: [] };
        tries += 1;
        // The way is gone for a while, and somebody in between gives up.
        if (tries === 1) return 'lost';
        return tries === 2 ? { status: 504 } : { body: job({ state: 'done', operation: 5, events: 3 }) };
    });
    const { wrapper } = withQueries();
    const { result } = renderHook(() => useBulk((events) => `${events} are changed.`), { wrapper });
    act(() => result.current.mutate({ tz: 'UTC', events: [{ id: 1, version: 1 }] }));
    await act(() => vi.advanceTimersByTimeAsync(5000));
    await waitFor(() => expect(said.words).toEqual(['3 are changed.']));
    expect(lastDone()).toBe(5);
    const keys = asked.filter(({ path }) => path === '/bulk').map(({ headers }) => headers.get('Idempotency-Key'));
    expect(keys).toHaveLength(3);
    expect(new Set(keys).size).toBe(1);
});

test('a change of many that is refused says so at once', async () => {
    const asked = fakeServer(() => ({ status: 422, body: { title: 'Some of this cannot be saved.', status: 422, detail: '', errors: [{ field: 'events.0', message: 'It comes from outside.' }] } }));
    const { wrapper } = withQueries();
    const { result } = renderHook(() => useBulk(String), { wrapper });
    act(() => result.current.mutate({ tz: 'UTC', events: [] }));
    await waitFor(() => expect(result.current.error?.message).toBe('Some of this cannot be saved.'));
    expect(asked).toHaveLength(1);
});
