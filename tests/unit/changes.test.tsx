import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { answered, api } from '@/api/client';
import type { Mark } from '@/api/marks';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { useChanges } from '@/app/live/useChanges';
import { accessMark, eventMark, FakeEventSource, look } from './liveServer';
import { fakeServer, type Asked } from './server';

/** What a browser that asks is told it has missed, and by which marks its own change is answered. */
const missed = { marks: [] as Mark[], everything: false, own: '', lost: false };
let asked: Asked[];
let client: QueryClient;

beforeEach(() => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    FakeEventSource.install();
    Object.assign(missed, { marks: [], everything: false, own: '', lost: false });
    asked = fakeServer(({ method, path, query }) => {
        if (method !== 'GET') return { status: 204, headers: { Changes: missed.own } };
        if (path !== '/changes') return { body: [] };
        return missed.lost ? 'lost' : { body: { position: `${query.get('since') ?? ''}+`, everything: missed.everything, marks: missed.marks } };
    });
});

afterEach(() => {
    cleanup();
    vi.useRealTimers();
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
});

function Screen({ window = true }: { window?: boolean }) {
    useChanges();
    useQuery({ queryKey: queryKeys.categories, queryFn: ({ signal }) => answered(api.GET('/categories', { signal })) });
    useQuery({ queryKey: queryKeys.calendars, queryFn: ({ signal }) => answered(api.GET('/calendars', { signal })) });
    useQuery({ queryKey: queryKeys.sheet('week'), queryFn: ({ signal }) => answered(api.GET('/rooms', { signal })), meta: { days: { from: '2026-11-23', to: '2026-11-30' } }, enabled: window });
    const leave = useAction(() => answered(api.DELETE('/events/{id}/join', { params: { path: { id: 7 } } })), { changes: 'events' });
    return (
        <button type="button" onClick={() => leave.mutate()}>
            Leave it
        </button>
    );
}

/** How often the window, categories and calendars were asked for anew. */
const counts = () => ['/rooms', '/categories', '/calendars'].map((path) => asked.filter((each) => each.path === path).length);
const looks = () => asked.filter((each) => each.path === '/changes').map((each) => each.query.get('since'));
const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));

async function open(window = true): Promise<FakeEventSource> {
    client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
    render(
        <QueryClientProvider client={client}>
            <Screen window={window} />
        </QueryClientProvider>,
    );
    await waitFor(() => expect(counts()).toEqual([window ? 1 : 0, 1, 1]));
    const source = FakeEventSource.open;
    if (source === undefined) throw new Error('There is no connection.');
    act(() => source.onopen?.());
    await waitFor(() => expect(looks()).toEqual([null]));
    await pass(10);
    asked.length = 0;
    return source;
}

async function told(source: FakeEventSource, ...marks: Mark[]): Promise<void> {
    act(() => marks.forEach((mark) => source.tell(mark)));
    await pass(2100);
}

test('a change in the window asks anew for what is told of events, once, and for nothing else', async () => {
    const source = await open();
    const mark = eventMark('2026-11-29', '2026-12-04');
    await told(source, mark);
    expect(counts()).toEqual([1, 1, 0]);
    await told(source, mark);
    expect(counts()).toEqual([1, 1, 0]);
});

test('what is asked anew because of others lets those go first who wait, and what is asked after it does not', async () => {
    await told(await open(), eventMark('2026-11-25'));
    expect(asked.filter(({ method }) => method === 'GET').map(({ headers }) => headers.get('Priority'))).toEqual(['u=6', 'u=6']);
    act(() => screen.getByText('Leave it').click());
    await waitFor(() => expect(counts()).toEqual([2, 2, 0]));
    expect(asked.filter(({ headers }) => headers.get('Priority') !== null)).toHaveLength(2);
});

test('a change beside the window asks for nothing, and one of which no days are known for all of it', async () => {
    const source = await open();
    await told(source, eventMark('2026-11-16', '2026-11-22'), eventMark('2026-11-30', null));
    expect(counts()).toEqual([0, 0, 0]);
    await told(source, eventMark('2026-11-01', null));
    expect(counts()).toEqual([1, 1, 0]);
    await told(source, eventMark());
    expect(counts()).toEqual([2, 2, 0]);
});

test('where no window is on screen, any change of events asks for what is', async () => {
    await told(await open(false), eventMark('2020-01-01'));
    expect(counts()).toEqual([0, 1, 0]);
});

test('many changes at once are one look', async () => {
    await told(await open(), ...Array.from({ length: 50 }, () => eventMark('2026-11-25')));
    expect(counts()).toEqual([1, 1, 0]);
});

test('what changes of access asks anew for all', async () => {
    await told(await open(), accessMark());
    expect(counts()).toEqual([1, 1, 1]);
});

test('one’s own change is asked for once, though it is told before it is answered, and another’s at that time all the same', async () => {
    const source = await open();
    const [own, other] = [eventMark('2026-11-25'), eventMark('2026-11-26')];
    missed.own = `something ${own.mark}`;
    act(() => {
        source.tell(own);
        screen.getByText('Leave it').click();
    });
    await pass(2100);
    expect(counts()).toEqual([1, 1, 0]);
    await told(source, other);
    expect(counts()).toEqual([2, 2, 0]);
});

test('after an interruption what was missed is asked for from where one was, and what came already says nothing new', async () => {
    const source = await open();
    const [before, during] = [eventMark('2026-11-25'), eventMark('2026-11-26')];
    await told(source, before);
    asked.length = 0;
    act(() => source.onerror?.());
    expect(source.closed).toBe(true);
    await pass(2100);
    missed.marks = [before, during];
    act(() => FakeEventSource.open?.onopen?.());
    await pass(2100);
    expect(looks()).toEqual(['+']);
    expect(counts()).toEqual([1, 1, 0]);
    // Nothing is new the second time.
    act(() => FakeEventSource.open?.onopen?.());
    await pass(2100);
    expect(counts()).toEqual([1, 1, 0]);
});

test('where too much was missed to be told, all is asked for anew', async () => {
    const source = await open();
    missed.everything = true;
    act(() => source.onopen?.());
    await pass(2100);
    expect(counts()).toEqual([1, 1, 1]);
});

test('where nothing is pushed it asks now and then, and goes on when an answer was lost', async () => {
    await open();
    missed.lost = true;
    for (let failed = 0; failed < 3; failed++) {
        act(() => FakeEventSource.open?.onerror?.());
        await pass(38_000);
    }
    // At once when a connection is refused twice, which may be for being signed out; then every half a minute or so.
    expect(looks()).toEqual(['+', '+']);
    expect(counts()).toEqual([0, 0, 0]);
    missed.lost = false;
    missed.marks = [eventMark('2026-11-25')];
    act(() => FakeEventSource.open?.onerror?.());
    // Half a minute and a quarter of it at most until it asks, and two seconds over which all who are told of a change spread.
    await pass(40_000);
    expect(counts()).toEqual([1, 1, 0]);
    expect(looks()).toEqual(['+', '+', '+']);
});

test('who signs in again is told of changes from then on, and of what was missed meanwhile', async () => {
    await open();
    // The server ends it with the session, and refuses another.
    act(() => FakeEventSource.open?.onerror?.());
    await pass(2100);
    act(() => FakeEventSource.open?.onerror?.());
    await pass(1000);
    expect(FakeEventSource.open).toBeUndefined();
    missed.marks = [eventMark('2026-11-25')];
    act(() => void client.setQueryData(queryKeys.session, { person: { id: 1 } }));
    expect(FakeEventSource.open).toBeDefined();
    act(() => FakeEventSource.open?.onopen?.());
    await pass(2100);
    expect(counts()).toEqual([1, 1, 0]);
    // While there is a connection, nothing is begun anew by it.
    const source = FakeEventSource.open;
    act(() => void client.setQueryData(queryKeys.session, { person: { id: 1, name: 'Ada' } }));
    expect(FakeEventSource.open).toBe(source);
});

test('a page that nobody looks at listens no longer and asks nothing; looked at again, it asks what it missed', async () => {
    const source = await open();
    act(() => look('hidden'));
    await pass(10_000);
    expect(source.closed).toBe(false);
    await pass(25_000);
    expect(FakeEventSource.open).toBeUndefined();
    await pass(300_000);
    expect(asked).toEqual([]);
    missed.marks = [eventMark('2026-11-25')];
    act(() => look('visible'));
    act(() => FakeEventSource.open?.onopen?.());
    await pass(2100);
    expect(looks()).toEqual(['+']);
    expect(counts()).toEqual([1, 1, 0]);
});
