import { describe, expect, test } from 'vitest';
import { isThroughOverlay, readRotaSearch } from '@/features/sheet/rotaSearch';
import { windowQuery, type Through } from '@/features/sheet/useSheet';
import { noteKept, readKeptAt, watchKept } from '@/api/kept';

describe('the address of the rota', () => {
    test.each([
        [{ of: 'person:12' }, { of: 'person:12' }],
        [{ of: 'group:3', group: 'layer' }, { of: 'group:3', group: 'layer' }],
        [{ of: 'calendar:3' }, {}],
        [{ of: 'person:12 or so' }, {}],
        // A calendar that is looked at alone is not at the same time somebody's sheet.
        [{ of: 'person:12', calendar: 'slip' }, { calendar: 'slip' }],
        [{ of: 'room:4', as: 7 }, { of: 'room:4' }],
        [{ sharedTitle: 'Haul out', shared: 'at nine', sharedLink: '' }, { shared: 'Haul out\nat nine' }],
        [{ shared: '  ' }, {}],
    ])('takes what can be meant: %o', (raw, search) => {
        expect(readRotaSearch(raw)).toEqual(search);
    });

    test('leads through an overlay where it names no calendar and nobody', () => {
        expect([{}, { overlay: 'term' }, { calendar: 'slip' }, { of: 'room:4' }].map(isThroughOverlay)).toEqual([true, true, false, false]);
        const through: Through = { overlay: 'term', calendar: undefined, of: 'room:4', as: undefined, zone: 'Europe/London', categories: [], words: undefined, people: [], group: 'layer' };
        expect(windowQuery(through, { from: '2026-11-02', to: '2026-11-09' })).toMatchObject({ of: 'room:4', overlay: undefined, calendar: undefined });
    });
});

test('of answers that were kept the earliest says since when; one that comes from the server ends it', () => {
    const kept = (at: string | null) => noteKept(new Response('', at === null ? {} : { headers: { 'Kept-At': at } }));
    let told = 0;
    const leave = watchKept(() => told++);
    kept('2026-11-27T09:00:00Z');
    kept('2026-11-27T08:00:00Z');
    kept('2026-11-27T10:00:00Z');
    expect([readKeptAt(), told]).toEqual(['2026-11-27T08:00:00Z', 2]);
    kept(null);
    kept(null);
    expect([readKeptAt(), told]).toEqual([null, 3]);
    leave();
    kept('2026-11-27T09:00:00Z');
    kept(null);
    expect(told).toBe(3);
});
