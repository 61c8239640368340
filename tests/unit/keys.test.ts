import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { answered, api } from '@/api/client';
import { fakeServer } from './server';

beforeEach(() => vi.useFakeTimers());
// Whatever one test has asked for is none of the next one’s.
afterEach(async () => {
    await vi.advanceTimersByTimeAsync(5000);
    vi.useRealTimers();
});

const add = (title: string) => answered(api.POST('/events', { body: { calendar: 'slip', title, start: '2026-11-10T09:00' } }));
const keys = (asked: { headers: Headers }[]) => asked.map(({ headers }) => headers.get('Idempotency-Key'));

test('two clicks are one thing, and what is asked for later is another', async () => {
    const asked = fakeServer(() => ({ status: 201, body: {} }));
    await Promise.all([add('Haul out'), add('Haul out')]);
    await add('Haul out');
    expect(new Set(keys(asked)).size).toBe(1);
    await add('Launch');
    await vi.advanceTimersByTimeAsync(1100);
    await add('Haul out');
    expect(new Set(keys(asked)).size).toBe(3);
    expect(keys(asked)[0]).toMatch(/^[0-9a-f-]{36}$/);
});

test('who asks again because no answer came, or the server broke down, asks for the same', async () => {
    let answer: 'lost' | { status: number; body: unknown } = 'lost';
    const asked = fakeServer(() => answer);
    await expect(add('Lost')).rejects.toThrow('No connection.');
    answer = { status: 503, body: { title: 'Many change this at once.', status: 503, detail: '' } };
    await expect(add('Lost')).rejects.toThrow('Many change this at once.');
    await vi.advanceTimersByTimeAsync(60_000);
    answer = { status: 201, body: {} };
    await add('Lost');
    expect(new Set(keys(asked)).size).toBe(1);
});

test('what was refused and is asked for again, and what is done and undone in turns, is new each time', async () => {
    const refused = fakeServer(() => ({ status: 422, body: { title: 'Some of this cannot be saved.', status: 422, detail: '' } }));
    await expect(add('')).rejects.toThrow();
    await expect(add('')).rejects.toThrow();
    expect(new Set(keys(refused)).size).toBe(2);
    const turned = fakeServer(() => ({ status: 204 }));
    await api.POST('/operations/{id}/undo', { params: { path: { id: 7 } } });
    await api.POST('/operations/{id}/redo', { params: { path: { id: 7 } } });
    await api.POST('/operations/{id}/undo', { params: { path: { id: 7 } } });
    expect(new Set(keys(turned)).size).toBe(3);
});

test('what is only read, put or deleted has none: asked for twice it is the same anyhow', async () => {
    const asked = fakeServer(() => ({ body: [] }));
    await api.GET('/calendars');
    await api.DELETE('/events/{id}/join', { params: { path: { id: 7 } } });
    await api.PUT('/invitations/{id}', { params: { path: { id: 7 } }, body: { accepted: true } });
    expect(keys(asked)).toEqual([null, null, null]);
});

test('whoever goes on with something else and comes back asks for another thing, however soon', async () => {
    const asked = fakeServer(() => ({ status: 201, body: {} }));
    await add('Haul out');
    await add('Launch');
    await add('Haul out');
    expect(new Set(keys(asked)).size).toBe(3);
    // What has had no answer yet stays what it is.
    const slow = fakeServer(() => 'lost');
    await expect(add('Slow')).rejects.toThrow();
    await expect(add('Other')).rejects.toThrow();
    await expect(add('Slow')).rejects.toThrow();
    expect(keys(slow)[0]).toBe(keys(slow)[2]);
});
