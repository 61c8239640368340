import { expect, test } from 'vitest';
import { lastDone, lastUndone, remember, turned } from '@/features/history/operations';
import { following, isFollowing, occurrenceOf, scopeQuery } from '@/features/events/scope';

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
