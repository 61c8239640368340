import { fireEvent, renderHook } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { lastDone, lastUndone, remember, turned } from '@/features/history/operations';
import { useUndoKeys } from '@/features/history/useUndo';
import { fakeServer, withQueries } from './server';
import { following, isFollowing, occurrenceOf, scopeQuery } from '@/features/events/scope';

vi.mock('@/toast/toast', () => ({ toast: Object.assign(() => undefined, { error: () => undefined }) }));

test('what was done is undone from the last on, and done again until something new is done', () => {
    expect([lastDone(), lastUndone()]).toEqual([undefined, undefined]);
    for (const each of [1, 2, 3]) remember(each);
    remember(null);
    expect(lastDone()).toBe(3);
    turned(3, true);
    turned(2, true);
    expect([lastDone(), lastUndone()]).toEqual([1, 2]);
    turned(2, false);
    expect([lastDone(), lastUndone()]).toEqual([2, 3]);
    // One that is not the last is undone by its own button.
    turned(1, true);
    expect([lastDone(), lastUndone()]).toEqual([2, 1]);
    remember(4);
    expect([lastDone(), lastUndone()]).toEqual([4, undefined]);
});

test('a scope names one time of a series, it and all that follow, or all of it', () => {
    const name = '2026-11-24T09:00:00Z';
    expect([isFollowing(null), isFollowing(name), isFollowing(following(name))]).toEqual([false, false, true]);
    expect([occurrenceOf(null), occurrenceOf(name), occurrenceOf(following(name))]).toEqual([null, name, name]);
    expect(scopeQuery(null)).toEqual({});
    expect(scopeQuery(name)).toEqual({ occurrence: name, following: false });
    expect(scopeQuery(following(name))).toEqual({ occurrence: name, following: true });
});

test('keys that repeat faster than answers come undo one thing after the other', async () => {
    let answer: () => void = () => undefined;
    const asked = fakeServer(({ path }) => {
        if (path === '/operations/12/undo') return { status: 409, body: { title: 'Somebody changed it since.', status: 409, detail: '' } };
        return { body: {} };
    });
    const held = new Promise<void>((resolve) => (answer = resolve));
    vi.mocked(globalThis.fetch).mockImplementationOnce(async () => {
        await held;
        return new Response('{}', { status: 200 });
    });
    const { wrapper } = withQueries();
    renderHook(() => useUndoKeys(), { wrapper });
    for (const each of [11, 12, 13]) remember(each);
    const press = (more = {}) => fireEvent.keyDown(window, { key: 'z', ctrlKey: true, ...more });
    // 13 is not answered yet.
    press();
    press();
    press();
    answer();
    await vi.waitFor(() => expect(asked.map(({ path }) => path)).toEqual(['/operations/12/undo', '/operations/11/undo']));
    // What was refused is as it was, and can be asked for again.
    await vi.waitFor(() => expect(lastDone()).toBe(12));
    press({ shiftKey: true });
    await vi.waitFor(() => expect(asked.at(-1)?.path).toBe('/operations/11/redo'));
});
