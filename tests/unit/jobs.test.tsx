import { useQuery } from '@tanstack/react-query';
import { act, cleanup, render, renderHook, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { answered, api, Problem } from '@/api/client';
import { untilAnswered } from '@/api/untilAnswered';
import { demandDone, jobsQuery, waitFor as waitForJob, type Job } from '@/features/jobs/jobs';
import { JobProgress, wordsOf } from '@/features/jobs/JobProgress';
import { JobsList } from '@/features/jobs/JobsList';
import { countsOf, outcomeOf } from '@/features/jobs/jobWords';
import { useLongWork } from '@/features/jobs/useLongWork';
import { fakeServer, job, withQueries, type Asked } from './server';

const said = vi.hoisted(() => ({ words: [] as string[] }));
vi.mock('@/toast/toast', () => ({ toast: Object.assign((words: string) => said.words.push(words), { error: (words: string) => said.words.push(words) }) }));
vi.mock('@tanstack/react-router', () => ({ Link: ({ children, search }: { children: string; search: { calendar: string } }) => <a href={`/?calendar=${search.calendar}`}>{children}</a> }));

beforeEach(() => {
    said.words = [];
    vi.useFakeTimers({ shouldAdvanceTime: true });
});

afterEach(() => {
    cleanup();
    vi.useRealTimers();
    vi.restoreAllMocks();
});

const problem = { type: 'about:blank', title: 'Some of this cannot be saved.', status: 422, detail: 'See the fields named.', errors: [{ field: 'url', message: 'The far side did not answer in time.' }] };
const bringIn = () => answered(api.POST('/imports/{id}/apply', { params: { path: { id: 3 } } }));

/** A server on which a job goes through these states, one each time it is asked after. */
function jobServer(states: Partial<Job>[], more: (asked: Asked) => ReturnType<Parameters<typeof fakeServer>[0]> | null = () => null) {
    let at = 0;
    return fakeServer((asked) => {
        const told = more(asked);
        if (told !== null) return told;
        if (asked.method === 'POST') return { status: 202, body: job({ id: 9, state: 'waiting' }) };
        if (asked.path === '/jobs/9') return { body: job({ id: 9, ...states[Math.min(at++, states.length - 1)] }) };
        return asked.path === '/jobs' ? { body: [] } : { status: 204 };
    });
}

describe('asking until an answer comes', () => {
    test('what is lost is asked for again, what is refused is not', async () => {
        const lost = [0, 502, 503, 504].map((status) => new Problem(status, 'Gone.', '', [], null));
        const ask = vi.fn(() => (lost.length > 0 ? Promise.reject(lost.pop() as Problem) : Promise.resolve('here')));
        const asking = untilAnswered(ask);
        await vi.advanceTimersByTimeAsync(10_000);
        expect(await asking).toBe('here');
        expect(ask).toHaveBeenCalledTimes(5);
        for (const status of [401, 409, 412, 422, 429, 500]) {
            const refused = vi.fn(() => Promise.reject(new Problem(status, 'No.', '', [], null)));
            await expect(untilAnswered(refused)).rejects.toThrow('No.');
            expect(refused).toHaveBeenCalledTimes(1);
        }
        await expect(untilAnswered(() => Promise.reject(new TypeError('a fault of ours')))).rejects.toThrow('a fault of ours');
    });

    test('in the end it is said that nothing is known', async () => {
        const asking = untilAnswered(() => Promise.reject(new Problem(0, 'Gone.', '', [], null))).catch((error: unknown) => error);
        await vi.advanceTimersByTimeAsync(60_000);
        const error = (await asking) as Problem;
        expect(error.message).toBe('No connection.');
        expect(error.detail).toContain('not known yet');
    });
});

describe('a job', () => {
    test('is waited for, told step by step, and a lost look at it is no end', async () => {
        let looks = 0;
        fakeServer(() => (++looks === 2 ? 'lost' : { body: job({ id: 9, state: looks < 4 ? 'running' : 'done', done: looks * 10, total: 40 }) }));
        const steps: string[] = [];
        const waiting = waitForJob(job({ id: 9, state: 'waiting' }), ({ state, done }) => steps.push(`${state} ${done}`));
        await vi.advanceTimersByTimeAsync(20_000);
        expect((await waiting).state).toBe('done');
        expect(steps).toEqual(['waiting 0', 'running 10', 'running 30', 'done 40']);
    });

    test('that is done at once is not asked after', async () => {
        const asked = fakeServer(() => 'never');
        expect((await waitForJob(job({ id: null, state: 'done' }), () => undefined)).state).toBe('done');
        expect(asked).toEqual([]);
    });

    test('that failed throws why, as though it had been refused at once', () => {
        const failed = () => demandDone(job({ state: 'failed', problem }));
        expect(failed).toThrow(Problem);
        try {
            failed();
        } catch (error) {
            expect((error as Problem).field('url')).toBe('The far side did not answer in time.');
        }
        expect(() => demandDone(job({ state: 'cancelled' }))).toThrow('Cancelled.');
        expect(demandDone(job({ state: 'done', events: 3 })).events).toBe(3);
    });

    test('says in words how far it is and what came of it', () => {
        expect(wordsOf(null, 'Bringing in a.ics')).toBe('Bringing in a.ics…');
        expect(wordsOf(job({ state: 'waiting' }), 'It')).toBe('It: it waits for its turn.');
        expect(wordsOf(job({ state: 'running' }), 'It')).toBe('It…');
        expect(wordsOf(job({ state: 'running', done: 1200, total: 3000 }), 'It')).toBe('It: 1,200 of 3,000.');
        expect(wordsOf(job({ state: 'running', done: 3000, total: 3000 }), 'It')).toBe('It: the last touches.');
        expect(outcomeOf(job({ state: 'cancelled' }))).toBe('Broken off: nothing was changed.');
        expect(outcomeOf(job({ state: 'failed', problem }))).toBe('The far side did not answer in time. Nothing was changed.');
        expect(outcomeOf(job({ state: 'failed', problem: { ...problem, errors: undefined } }))).toBe('Some of this cannot be saved. See the fields named. Nothing was changed.');
        expect(outcomeOf(job({ state: 'done', events: 1 }))).toBe('1 event is changed.');
        expect(outcomeOf(job({ state: 'done', events: 1200 }))).toBe('1,200 events are changed.');
        expect(outcomeOf(job({ state: 'done', hasFile: true }))).toBe('The file is ready.');
        expect(outcomeOf(job({ state: 'done' }))).toBe('Nothing had changed.');
        expect(countsOf({ added: 1200, changed: 0, unchanged: 4, removed: 2 })).toBe('1,200 added, 2 removed');
        expect(countsOf({ added: 0, changed: 0, unchanged: 4, removed: 0 })).toBe('Nothing has changed');
    });
});

describe('long work', () => {
    test('is waited for to its end, which is then noted as seen', async () => {
        const asked = jobServer([{ state: 'running', done: 1, total: 2 }, { state: 'done', counts: { added: 2, changed: 0, unchanged: 0, removed: 0 } }]);
        const done: Job[] = [];
        const { wrapper } = withQueries();
        const { result, unmount } = renderHook(() => useLongWork(bringIn, (ended) => void done.push(ended)), { wrapper });
        act(() => result.current.mutate());
        await waitFor(() => expect(result.current.job?.state).toBe('running'));
        // Whoever leaves the page is told all the same.
        unmount();
        await act(() => vi.advanceTimersByTimeAsync(5000));
        expect(done.map((each) => each.counts?.added)).toEqual([2]);
        expect(asked.some(({ method, path }) => method === 'PUT' && path === '/jobs/9/seen')).toBe(true);
    });

    test('that fails says why to whoever asked for it', async () => {
        jobServer([{ state: 'failed', problem }]);
        const { wrapper } = withQueries();
        const onDone = vi.fn();
        const { result } = renderHook(() => useLongWork(bringIn, onDone), { wrapper });
        act(() => result.current.mutate());
        await act(() => vi.advanceTimersByTimeAsync(3000));
        await waitFor(() => expect(result.current.error).toBeInstanceOf(Problem));
        expect((result.current.error as Problem).field('url')).toBe('The far side did not answer in time.');
        expect(onDone).not.toHaveBeenCalled();
    });

    test('can be broken off, by one click of several', async () => {
        const asked = fakeServer(() => ({ status: 204 }));
        const { wrapper } = withQueries();
        render(<JobProgress job={job({ id: 9, state: 'running', done: 30, total: 40 })} what="Bringing in a.ics" />, { wrapper });
        expect(screen.getByRole('status').textContent).toContain('Bringing in a.ics: 30 of 40.');
        expect(screen.getByRole<HTMLProgressElement>('progressbar').value).toBe(30);
        const button = screen.getByRole<HTMLButtonElement>('button', { name: 'Break it off' });
        act(() => button.click());
        await waitFor(() => expect(button.disabled).toBe(true));
        act(() => button.click());
        await waitFor(() => expect(asked.filter(({ method }) => method === 'DELETE').map(({ path }) => path)).toEqual(['/jobs/9']));
    });

    test('where it is done by then, that is said', async () => {
        fakeServer(() => ({ status: 409, body: { title: 'It is done already.', status: 409, detail: '' } }));
        const { wrapper } = withQueries();
        render(<JobProgress job={job({ id: 9, state: 'running' })} what="It" />, { wrapper });
        act(() => screen.getByRole('button').click());
        await waitFor(() => expect(said.words).toEqual(['It is done already.']));
        // It can be tried again: that it went wrong may have been the way.
        expect(screen.getByRole<HTMLButtonElement>('button').disabled).toBe(false);
    });

    test('what one does at once cannot be broken off', () => {
        const { wrapper } = withQueries();
        render(<JobProgress job={null} what="3 events" />, { wrapper });
        expect(screen.queryByRole('button')).toBeNull();
        expect(screen.queryByRole('progressbar')).toBeNull();
    });
});

describe('the list of long work', () => {
    const list = [
        job({ id: 1, kind: 'import', title: 'term.ics', state: 'running', done: 5, total: 10 }),
        job({ id: 2, kind: 'bulk', title: '400 events', state: 'done', events: 400, operation: 77 }),
        job({ id: 3, kind: 'export', title: 'slipway.ics', state: 'done', hasFile: true, calendar: 'slipway' }),
        job({ id: 4, kind: 'subscribe', title: 'Tides', state: 'failed', problem }),
    ];

    test('has for each what can be done with it', async () => {
        const asked = fakeServer(({ path }) => (path === '/jobs' ? { body: list } : { status: 204 }));
        const { wrapper } = withQueries();
        render(<JobsList />, { wrapper });
        const rows = await screen.findAllByRole('listitem');
        expect(rows.map((row) => within(row).queryAllByRole('button').map((each) => each.textContent))).toEqual([['Break it off'], ['Undo', 'Seen'], ['Seen'], ['Seen']]);
        expect(within(rows[2] as HTMLElement).getAllByRole<HTMLAnchorElement>('link').map((each) => each.getAttribute('href'))).toEqual(['/api/v1/jobs/3/file', '/?calendar=slipway']);
        expect(rows[3]?.textContent).toContain('The far side did not answer in time.');
        act(() => screen.getByRole('button', { name: 'Undo' }).click());
        await waitFor(() => expect(asked.some(({ path }) => path === '/operations/77/undo')).toBe(true));
        act(() => screen.getByRole('button', { name: 'Seen: Tides' }).click());
        await waitFor(() => expect(asked.some(({ method, path }) => method === 'PUT' && path === '/jobs/4/seen')).toBe(true));
        // The list is asked for anew, without it.
        await waitFor(() => expect(asked.filter(({ path }) => path === '/jobs').length).toBeGreaterThan(1));
    });

    test('is looked at again while something goes on, and left alone when nothing does', async () => {
        let goesOn = true;
        const asked = fakeServer(() => ({ body: [job({ id: 1, state: goesOn ? 'running' : 'done' })] }));
        const { wrapper } = withQueries();
        renderHook(() => useQuery(jobsQuery), { wrapper });
        await act(() => vi.advanceTimersByTimeAsync(7000));
        expect(asked.length).toBeGreaterThanOrEqual(3);
        goesOn = false;
        await act(() => vi.advanceTimersByTimeAsync(3000));
        const ended = asked.length;
        await act(() => vi.advanceTimersByTimeAsync(20_000));
        expect(asked).toHaveLength(ended);
    });
});
