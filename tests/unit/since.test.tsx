import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { itemKey, type Item } from '@/features/sheet/geometry';
import { ghostKey, marked } from '@/features/sheet/marked';
import { RotaContext, type Rota } from '@/features/sheet/RotaContext';
import { SinceButton } from '@/features/since/SinceButton';
import { ghostWords, sinceSaid, sinceWords } from '@/features/sheet/sinceWords';
import { madePerson } from './made';
import { fakeServer, withQueries } from './server';

type Change = Schemas['SinceChange'];

afterEach(cleanup);

const at = (start: string, layer = 0) => ({ layer, title: 'Haul out', place: '', allDay: false, start, end: start.replace('T09', 'T10') });
const change = (more: Partial<Change>): Change => ({ kind: 'moved', id: 7, occurrence: null, is: at('2026-11-12T09:00'), was: at('2026-11-10T09:00'), parts: ['time'], by: 'Ada Quill', at: '2026-11-09T08:00:00Z', ...more });
const item = (id: number, start: string): Item => ({
    id, occurrence: null, layer: 0, also: [], calendar: 'slip', title: `Event ${id}`, place: '', categories: [], allDay: false, start, end: start.replace('T09', 'T10'),
    status: 'confirmed', busyOnly: false, private: false, repeats: false, hold: null, external: false, unanswered: false, responsible: [],
});

describe('what changed on a sheet', () => {
    const items = [item(1, '2026-11-09T09:00'), item(2, '2026-11-11T09:00'), item(7, '2026-11-12T09:00')];

    test('is marked, with a ghost where it was, all in order of start', () => {
        const drawn = marked(items, [change({})]);
        expect(drawn.map(({ id, start, ghost, since }) => [id, start.slice(8, 10), ghost, since?.kind])).toEqual([[1, '09', undefined, undefined], [7, '10', true, 'moved'], [2, '11', undefined, undefined], [7, '12', undefined, 'moved']]);
        expect(new Set(drawn.map(itemKey)).size).toBe(4);
        expect(drawn.map(itemKey)).toContain(ghostKey(change({})));
    });

    test('leaves the sheet as it is where there is nothing, and has no ghosts where rows are not layers', () => {
        expect(marked(items, [])).toBe(items);
        expect(marked(items, [change({})], false).map(({ id, since }) => [id, since !== undefined])).toEqual([[1, false], [2, false], [7, true]]);
    });

    test.each<[string, Partial<Change>, boolean]>([
        ['what is gone', { kind: 'cancelled', is: null }, true],
        ['what left what is looked through', { is: null }, true],
        ['what went to another layer at the same time', { is: at('2026-11-10T09:00', 1) }, true],
        ['what is called off and stands there', { kind: 'cancelled', is: at('2026-11-10T09:00'), parts: ['state'] }, false],
        ['what is called otherwise', { kind: 'changed', is: at('2026-11-10T09:00'), parts: ['title'] }, false],
        ['what is new', { kind: 'added', was: null }, false],
    ])('has a ghost or none: %s', (_, more, ghost) => {
        expect(marked(items, [change(more)]).some((each) => each.ghost === true)).toBe(ghost);
    });

    test.each<[Partial<Change>, string]>([
        [{ kind: 'added', was: null }, 'new'],
        [{}, 'moved from Tuesday 10 November, 9:00–10:00'],
        [{ parts: ['time', 'place'] }, 'moved from Tuesday 10 November, 9:00–10:00; place changed'],
        [{ kind: 'changed', parts: ['title', 'place', 'people'] }, 'title, place and people changed'],
        [{ kind: 'cancelled', is: null }, 'gone'],
        [{ kind: 'cancelled', parts: ['state'] }, 'cancelled'],
        [{ is: null }, 'moved away from here'],
        [{ was: null }, 'moved to here'],
    ])('is told in words: %#', (more, words) => {
        expect(sinceWords(change(more))).toBe(words);
    });

    test('with its name it is said in short, so that no name of a field is in it', () => {
        expect([{ kind: 'changed', parts: ['title', 'place'] }, { parts: ['time', 'place'] }, { kind: 'added', was: null }, { is: null, parts: ['time', 'place'] }].map((more) => sinceSaid(change(more as Partial<Change>)))).toEqual(['different', 'moved from Tuesday 10 November, 9:00–10:00', 'new', 'moved away from here']);
    });

    test('a ghost tells where it is now', () => {
        expect(ghostWords(change({}))).toBe('It was here. Now: Thursday 12 November, 9:00–10:00.');
        expect(ghostWords(change({ is: null }))).toBe('It was here, and is gone.');
    });
});

test('changes are counted and listed, F8 leads from one to the next, and all seen ends it', async () => {
    let changes = [change({}), change({ id: 8, kind: 'cancelled', is: null, was: { ...at('2026-11-13T09:00'), title: 'Sweeping' } }), change({ id: 9, is: at('2026-11-14T09:00', 1), was: null, kind: 'added' })];
    const asked = fakeServer(({ method }) => {
        if (method === 'PUT') changes = [];
        return method === 'PUT' ? { status: 204 } : { body: { since: '2026-11-09T07:00:00Z', changes, more: false } };
    });
    const { client, wrapper: Queries } = withQueries();
    client.setQueryData(queryKeys.session, { person: madePerson(), demo: null });
    const go = vi.fn();
    const refuse = vi.fn();
    const rota = { view: 'lanes', search: {}, hidden: new Set([1]), through: { overlay: 'term', zone: 'Europe/London', categories: [], people: [], group: 'layer' }, span: { from: '2026-11-09', to: '2026-11-16' }, sheet: { items: [] }, go, refuse } as unknown as Rota;
    render(
        <Queries>
            <RotaContext.Provider value={rota}>
                <SinceButton />
            </RotaContext.Provider>
        </Queries>,
    );
    // What is in a hidden layer is not in view.
    fireEvent.click(await screen.findByRole('button', { name: '2 unseen' }));
    const list = screen.getByRole('dialog', { name: 'Since you looked' });
    expect(within(list).getAllByRole('listitem').map((each) => each.textContent)).toEqual([
        expect.stringContaining('Haul out, Thursday 12 November, 9:00–10:00moved from Tuesday'), expect.stringContaining('Sweeping, Friday 13 November, 9:00–10:00gone · Ada Quill'),
    ]);
    // While the list is open the key does nothing.
    fireEvent.keyDown(document, { key: 'F8' });
    expect(go).not.toHaveBeenCalled();
    fireEvent.keyDown(list, { key: 'Escape' });
    for (const shiftKey of [false, false, false, true]) fireEvent.keyDown(document, { key: 'F8', shiftKey });
    // Neither is drawn here: what is there is opened, what is gone is told; after the last comes the first.
    expect(go.mock.calls).toEqual([[{ event: 7 }], [{ event: 7 }]]);
    expect(refuse.mock.calls).toEqual([['“Sweeping” is gone.'], ['“Sweeping” is gone.']]);
    fireEvent.click(screen.getByRole('button', { name: '2 unseen' }));
    fireEvent.click(screen.getByRole('button', { name: 'All seen' }));
    await waitFor(() => expect(screen.queryByRole('button', { name: /unseen/ })).toBeNull());
    expect(asked.filter(({ method }) => method === 'PUT').map(({ path }) => path)).toEqual([expect.stringMatching(/\/visit$/)]);
});
