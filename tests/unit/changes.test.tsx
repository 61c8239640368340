import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { useChanges } from '@/app/useChanges';

/** What the server is at: the marks of changes, and how often each thing was asked for. */
const server = { events: 'e1', access: 'a1', asked: [] as string[] };

beforeEach(() => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    vi.spyOn(globalThis, 'fetch').mockImplementation((request) => {
        const { url, method } = request as Request;
        const path = new URL(url).pathname.replace('/api/v1', '');
        if (method !== 'GET') {
            const headers = { Changes: `${server.events} ${server.access}` };
            return Promise.resolve(new Response(null, { status: 204, headers }));
        }
        server.asked.push(path);
        const body = path === '/changes' ? { events: server.events, access: server.access } : [];
        return Promise.resolve(new Response(JSON.stringify(body), { status: 200 }));
    });
});

afterEach(() => {
    cleanup();
    vi.useRealTimers();
});

function Screen() {
    useChanges();
    useQuery({ queryKey: queryKeys.categories, queryFn: ({ signal }) => answered(api.GET('/categories', { signal })) });
    useQuery({ queryKey: queryKeys.calendars, queryFn: ({ signal }) => answered(api.GET('/calendars', { signal })) });
    const leave = useAction(
        () => {
            server.events += '+';
            return answered(api.DELETE('/events/{id}/join', { params: { path: { id: 7 } } }));
        },
        { changes: 'events' },
    );
    return (
        <button type="button" onClick={() => leave.mutate()}>
            Leave it
        </button>
    );
}

/** How often events and calendars were asked for. */
const counts = () => ['/categories', '/calendars'].map((path) => server.asked.filter((each) => each === path).length);

async function open(): Promise<void> {
    server.asked = [];
    render(
        <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } })}>
            <Screen />
        </QueryClientProvider>,
    );
    await waitFor(() => expect(counts()).toEqual([1, 1]));
    // The marks of now are looked at once before anything happens.
    await later();
    server.asked = [];
}

/** Until the marks were looked at again, and what came of it is done. */
async function later(): Promise<void> {
    const before = server.asked.filter((each) => each === '/changes').length;
    await act(() => vi.advanceTimersByTimeAsync(3100));
    await waitFor(() => expect(server.asked.filter((each) => each === '/changes').length).toBeGreaterThan(before));
    await act(() => vi.advanceTimersByTimeAsync(50));
}

test('what others change of events asks anew for what events are about, and nothing else', async () => {
    await open();
    server.events = 'e2';
    await later();
    expect(counts()).toEqual([1, 0]);
    await later();
    expect(counts()).toEqual([1, 0]);
});

test('what changes of access asks anew for all', async () => {
    await open();
    server.access = 'a2';
    await later();
    expect(counts()).toEqual([1, 1]);
});

test('one’s own change is asked for once, and what others change after it all the same', async () => {
    await open();
    act(() => screen.getByText('Leave it').click());
    await waitFor(() => expect(counts()).toEqual([1, 0]));
    await later();
    expect(counts()).toEqual([1, 0]);
    server.events += '!';
    await later();
    expect(counts()).toEqual([2, 0]);
});

test('what others change of access beside one’s own change of events is not lost', async () => {
    await open();
    server.access += '!';
    act(() => screen.getByText('Leave it').click());
    await waitFor(() => expect(counts()).toEqual([1, 0]));
    await later();
    expect(counts()).toEqual([2, 1]);
});
