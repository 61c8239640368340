import { act, cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { useRef } from 'react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { SeriesQuestion } from '@/features/events/SeriesQuestion';
import type { Item } from '@/features/sheet/geometry';
import type { Move } from '@/features/sheet/landing';
import type { LaneRow } from '@/features/sheet/rows';
import { useItemStops } from '@/features/sheet/useItemStops';
import { useSheetKeys } from '@/features/sheet/useSheetKeys';
import { RotaContext, type Rota } from '@/features/sheet/RotaContext';
import { readRotaSearch, type RotaSearch } from '@/features/sheet/rotaSearch';
import { useSelection } from '@/features/table/useSelection';
import { useTableLook } from '@/features/table/useTableLook';
import { fakeServer, withQueries } from './server';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const rows = [1, 2, 3, 4].map((id) => ({ id, version: id * 10, hold: null }));

test('rows are chosen one by one, from one to another, and all; each is sent with the version that is known last', () => {
    const { result, rerender } = renderHook((known: typeof rows) => useSelection(known), { initialProps: rows });
    const ids = () => result.current.events.map(({ id }) => id);
    act(() => result.current.toggle(rows[0]!));
    act(() => result.current.extend(3, 2));
    expect(ids()).toEqual([1, 3, 4]);
    act(() => result.current.toggle(rows[2]!));
    expect([ids(), result.current.has(3), result.current.has(4)]).toEqual([[1, 4], false, true]);
    // Somebody changed one meanwhile; another has left the page that is drawn and is chosen still.
    rerender([{ id: 1, version: 11, hold: null }]);
    expect(result.current.events).toEqual([{ id: 1, version: 11 }, { id: 4, version: 40 }]);
    act(() => result.current.all([{ id: 9, version: 2 }]));
    expect(result.current.events).toEqual([{ id: 9, version: 2 }]);
    act(() => result.current.none());
    expect(ids()).toEqual([]);
});

test('a table looks as its address says, else as its overlay opens, else as in this browser before', () => {
    const gone: Partial<RotaSearch>[] = [];
    const look = (search: RotaSearch = {}, opening: Rota['opening'] = null) =>
        renderHook(() => useTableLook(), { wrapper: ({ children }) => <RotaContext.Provider value={{ search, opening, go: (change) => gone.push(change) } as Partial<Rota> as Rota}>{children}</RotaContext.Provider> }).result.current;
    const usual = look().shown;
    expect(look().sorting).toEqual({ by: 'when', descending: false });
    // Columns stay in their own order, and never without the title.
    look().show(['place', 'when']);
    expect(gone.pop()).toEqual({ columns: ['when', 'title', 'place'] });
    expect(look().shown).toEqual(['when', 'title', 'place']);
    const opening = { columns: ['title' as const, 'calendar' as const], sort: 'calendar' as const, descending: true, period: 'year' as const };
    expect([look({}, opening).shown, look({}, opening).sorting]).toEqual([['title', 'calendar'], { by: 'calendar', descending: true }]);
    const addressed = look({ columns: ['title'], sort: 'title' }, opening);
    expect([addressed.shown, addressed.sorting]).toEqual([['title'], { by: 'title', descending: false }]);
    // The same column once more is the other way round; another begins anew.
    addressed.sort('title');
    addressed.sort('place');
    expect(gone.splice(0)).toEqual([{ sort: 'title', descending: true }, { sort: 'place', descending: undefined }]);
    localStorage.setItem('rota.columns', 'nonsense,,');
    expect(look().shown).toEqual(usual);
});

test('an address is read for what can be, and no more', () => {
    expect(readRotaSearch({ sort: 'place', descending: true, columns: ['place', 'nonsense', 'when'], state: 'provisional', period: 'half' })).toEqual({ sort: 'place', descending: true, columns: ['when', 'place'], state: 'provisional', period: 'half' });
    expect(readRotaSearch({ sort: 'colour', descending: true, columns: 'when', state: 'odd', period: 'ever' })).toEqual({});
});

test('before a series changes it is said what becomes of its other times, as the server tells it; then one thing is done, once', async () => {
    const words = (of: string) => ({ one: `${of} one`, following: `${of} following`, all: `${of} all` });
    const asked = fakeServer(() => ({ body: { id: 7, repeat: { words: 'every week', changing: words('change'), deleting: words('delete') } } }));
    const { wrapper } = withQueries();
    const done: string[] = [];
    const question = (doing: 'change' | 'delete', onOne: (() => void) | undefined) => (
        <SeriesQuestion title="Move" doing={doing} id={7} occurrence="2026-11-10T09:00:00Z" onOne={onOne} onFollowing={() => done.push('following')} onAll={() => done.push('all')} onClose={() => done.push('close')} />
    );
    const { rerender } = render(question('change', () => done.push('one')), { wrapper });
    await screen.findByText('change following');
    expect(screen.getByText('It repeats every week.')).toBeDefined();
    expect(asked[0]?.query.get('occurrence')).toBe('2026-11-10T09:00:00Z');
    fireEvent.click(screen.getByText('This and all that follow'));
    expect(done).toEqual(['close', 'following']);
    // Where one time cannot be meant, it is not offered.
    rerender(question('delete', undefined));
    await screen.findByText('delete all');
    expect(screen.queryByText('Only this one')).toBeNull();
});

const item: Item = {
    id: 1, occurrence: null, layer: 0, also: [], calendar: 'slip', title: 'Haul out', place: '', categories: [], allDay: false, start: '2026-11-10T09:00', end: '2026-11-10T10:00',
    status: 'confirmed', busyOnly: false, private: false, repeats: false, hold: null, external: false, unanswered: false, responsible: [],
};
const lanes = ['Slip', 'Loft'].map((name) => ({ kind: 'layer', key: name, name }) as LaneRow);

function board(view: string) {
    const moves: Move[] = [];
    const begun: [string | undefined, number | null][] = [];
    const opened: Item[] = [];
    const deleted: Item[] = [];
    const steps: number[] = [];
    function Board() {
        const ref = useRef<HTMLDivElement>(null);
        useSheetKeys(ref, {
            view, rows: lanes, itemOf: (key) => (key === 'one' ? item : undefined),
            onMove: (move) => void moves.push(move), onOpen: (each) => void opened.push(each), onBegin: (cell, y) => void begun.push([cell.dataset.cell, y]),
            onDelete: (each) => void deleted.push(each), onStep: (by) => void steps.push(by), today: '2026-11-10',
        });
        return (
            <div ref={ref}>
                <div role="grid" tabIndex={0}>
                    <div data-cell="0:0" data-row="0" tabIndex={-1}>
                        <button type="button" data-item="one">
                            Haul out
                        </button>
                        <button type="button" data-item="two">
                            Varnish
                        </button>
                    </div>
                    <div data-cell="0:1" data-row="0" tabIndex={-1} />
                    <div data-cell="1:0" data-row="1" tabIndex={-1} />
                </div>
            </div>
        );
    }
    const { container } = render(<Board />);
    const cell = (name: string) => container.querySelector<HTMLElement>(`[data-cell="${name}"]`)!;
    const press = (target: HTMLElement, key: string, more = {}) => fireEvent.keyDown(target, { key, ...more });
    return { moves, begun, opened, deleted, steps, cell, press, face: () => screen.getByText('Haul out'), grid: () => screen.getByRole('grid') };
}

test('the arrows go from day to day and from row to row, and Enter begins an event there', () => {
    const { begun, cell, press, grid } = board('lanes');
    press(grid(), 'ArrowRight');
    expect(document.activeElement).toBe(cell('0:0'));
    press(cell('0:0'), 'ArrowRight');
    expect(document.activeElement).toBe(cell('0:1'));
    press(cell('0:0'), 'ArrowDown');
    expect(document.activeElement).toBe(cell('1:0'));
    // There is nothing beyond the edge: one stays.
    press(cell('1:0'), 'ArrowDown');
    expect(document.activeElement).toBe(cell('1:0'));
    press(cell('1:0'), 'Enter');
    expect(begun).toEqual([['1:0', null]]);
});

test('Home and End go along the row, Page up and Page down to other days, up and down among the events of a cell', () => {
    const { steps, deleted, cell, press, face } = board('lanes');
    press(cell('0:0'), 'End');
    expect(document.activeElement).toBe(cell('0:1'));
    press(cell('0:1'), 'Home');
    expect(document.activeElement).toBe(cell('0:0'));
    press(cell('0:0'), 'PageDown');
    press(cell('0:0'), 'PageUp');
    expect(steps).toEqual([1, -1]);
    face().focus();
    press(face(), 'ArrowDown');
    expect(document.activeElement).toBe(screen.getByText('Varnish'));
    press(face(), 'ArrowRight');
    expect(document.activeElement).toBe(cell('0:1'));
    press(face(), 'Delete');
    expect(deleted).toEqual([item]);
});

test('the events of a cell are one stop for the Tab key, also those that come later', async () => {
    function Stops({ names }: { names: string[] }) {
        const ref = useRef<HTMLDivElement>(null);
        useItemStops(ref);
        return (
            <div ref={ref}>
                {[0, 1].map((column) => (
                    <div key={column} data-cell={`0:${column}`}>
                        {names.map((name) => (
                            <button key={name} type="button" data-item={`${name}${column}`}>
                                {`${name} ${column}`}
                            </button>
                        ))}
                    </div>
                ))}
            </div>
        );
    }
    const { rerender } = render(<Stops names={['b', 'c']} />);
    const stops = () => screen.getAllByRole('button').filter((face) => face.tabIndex === 0).map((face) => face.textContent);
    expect(stops()).toEqual(['b 0', 'b 1']);
    rerender(<Stops names={['a', 'b', 'c']} />);
    await vi.waitFor(() => expect(stops()).toEqual(['a 0', 'a 1']));
});

test('with Shift an event is carried, with Alt it is lengthened, by what the view counts', () => {
    const carried = (view: string, key: string, altKey = false) => {
        const { moves, press, face } = board(view);
        press(face(), key);
        expect(moves).toEqual([]);
        press(face(), key, { shiftKey: true, altKey });
        cleanup();
        const [move] = moves;
        return move === undefined ? null : [move.startBy, move.endBy, move.rows?.to.name ?? null];
    };
    expect(carried('lanes', 'ArrowRight')).toEqual([1440, 1440, null]);
    expect(carried('lanes', 'ArrowDown')).toEqual([0, 0, 'Loft']);
    expect(carried('lanes', 'ArrowUp')).toBeNull();
    expect(carried('week', 'ArrowDown')).toEqual([15, 15, null]);
    expect(carried('month', 'ArrowUp')).toEqual([-7 * 1440, -7 * 1440, null]);
    expect(carried('week', 'ArrowUp', true)).toEqual([0, -15, null]);
    expect(carried('week', 'ArrowRight', true)).toBeNull();
    expect(carried('month', 'ArrowRight', true)).toEqual([0, 1440, null]);
});

test('a click opens an event or begins one, and what is a control has its own click', () => {
    const { begun, opened, cell, face } = board('week');
    fireEvent.click(face());
    fireEvent.click(cell('0:1'), { clientY: 120 });
    expect([opened.map(({ id }) => id), begun]).toEqual([[1], [['0:1', 120]]]);
    const link = cell('1:0').appendChild(document.createElement('a'));
    fireEvent.click(link);
    expect(begun).toHaveLength(1);
});
