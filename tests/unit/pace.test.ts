import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Pace } from '@/app/live/pace';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
});

/** Asks once, and is answered after so long. */
function ask(pace: Pace, milliseconds: number): void {
    const done = pace.begin();
    vi.advanceTimersByTime(milliseconds);
    done();
}

test('all who are told at once ask within two seconds, each at another time', () => {
    const waits = Array.from({ length: 200 }, () => new Pace().wait());
    expect(Math.max(...waits)).toBeLessThan(2000);
    expect(new Set(waits).size).toBeGreaterThan(190);
});

test('where answers become slow one asks less often, up to a bound, and soon again once they are not', () => {
    vi.spyOn(Math, 'random').mockReturnValue(0);
    const pace = new Pace();
    ask(pace, 50);
    expect(pace.wait()).toBe(0);
    ask(pace, 900);
    expect(pace.wait()).toBe(2000);
    for (let slow = 0; slow < 30; slow++) ask(pace, 900);
    expect(pace.wait()).toBe(10_000);
    // What one waited already counts.
    vi.advanceTimersByTime(9000);
    expect(pace.wait()).toBe(1000);
    for (let quick = 0; quick < 60; quick++) ask(pace, 50);
    expect(pace.wait()).toBeLessThan(50);
});
