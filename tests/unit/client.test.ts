import { beforeEach, expect, test, vi } from 'vitest';
import { answered, api, done, fileForm, ifMatch, Problem } from '@/api/client';

/** Answers whatever is asked, and keeps what was asked. */
function serve(body: unknown, status = 200, headers: Record<string, string> = {}): Request[] {
    const asked: Request[] = [];
    vi.spyOn(globalThis, 'fetch').mockImplementation((request) => {
        asked.push(request as Request);
        return Promise.resolve(new Response(body === null ? null : JSON.stringify(body), { status, headers }));
    });
    return asked;
}

beforeEach(() => {
    document.cookie = 'XSRF-TOKEN=a%3Db';
});

const WINDOW = { from: '2026-11-23', to: '2026-12-07', tz: 'Europe/London' };

test('lists are told name by name, yes and no as PHP reads them, and what is not given is left out', async () => {
    const asked = serve([]);
    await api.GET('/table', { params: { query: { ...WINDOW, 'people[]': [3, 4], words: undefined, descending: true } } });
    await api.GET('/directory/calendars', { params: { query: { archived: false } } });
    const url = new URL(asked[0]?.url ?? '');
    expect(url.pathname).toBe('/api/v1/table');
    expect(url.searchParams.getAll('people[]')).toEqual(['3', '4']);
    expect([url.searchParams.get('descending'), url.searchParams.has('words')]).toEqual(['1', false]);
    expect(new URL(asked[1]?.url ?? '').searchParams.get('archived')).toBe('0');
});

test('a change tells the version that it was made from and its token, and is told the operation that undoes it', async () => {
    const asked = serve({ id: 7 }, 200, { Operation: '42' });
    const told = await done(api.PATCH('/events/{id}', { params: { path: { id: 7 }, header: ifMatch(3) }, body: { title: 'Haul out' } }));
    expect([told.answer, told.operation]).toEqual([{ id: 7 }, 42]);
    const headers = asked[0]?.headers;
    expect([headers?.get('If-Match'), headers?.get('X-XSRF-TOKEN'), headers?.get('Content-Type')]).toEqual(['"3"', 'a=b', 'application/json']);
    expect(await asked[0]?.json()).toEqual({ title: 'Haul out' });
});

test('what is only read carries no token; an empty answer is none', async () => {
    const asked = serve(null, 204);
    await expect(answered(api.GET('/session'))).resolves.toBeUndefined();
    expect(asked[0]?.headers.has('X-XSRF-TOKEN')).toBe(false);
    serve(null, 201);
    await expect(answered(api.POST('/calendars/{slug}/requests', { params: { path: { slug: 'slip' } }, body: { level: 'see' } }))).resolves.toBeUndefined();
});

test('a file is sent as a form, whose kind the browser tells', async () => {
    const asked = serve({}, 201);
    await api.POST('/calendars/{slug}/imports', { params: { path: { slug: 'slip' } }, body: fileForm(new File(['x'], 'term.ics')) });
    expect(asked[0]?.headers.get('Content-Type')).toMatch(/^multipart\/form-data/);
});

test('a refusal is thrown with its reasons and what is there now', async () => {
    serve({ title: 'Somebody else was faster.', status: 412, detail: 'Look again.', errors: [{ field: 'title', message: 'It is too long.' }], current: { id: 7 } }, 412);
    const problem = await answered(api.GET('/overlays')).catch((error: unknown) => error as Problem);
    expect(problem).toBeInstanceOf(Problem);
    const { status, message, detail, current } = problem as Problem;
    expect([status, message, detail, current]).toEqual([412, 'Somebody else was faster.', 'Look again.', { id: 7 }]);
    expect([(problem as Problem).field('title'), (problem as Problem).field('place')]).toEqual(['It is too long.', undefined]);
});

test('a refusal that is no problem document is told in words of our own', async () => {
    vi.spyOn(globalThis, 'fetch').mockImplementation(() => Promise.resolve(new Response('<html>', { status: 413 })));
    await expect(answered(api.GET('/overlays'))).rejects.toMatchObject({ status: 413, message: 'That is too large.' });
});

test('a lost connection says that nothing was changed; what one no longer waits for is no problem', async () => {
    vi.spyOn(globalThis, 'fetch').mockImplementation((request) => Promise.reject((request as Request).signal.aborted ? new DOMException('Left', 'AbortError') : new TypeError('Failed to fetch')));
    await expect(answered(api.GET('/overlays'))).rejects.toMatchObject({ status: 0, message: 'No connection.' });
    const left = new AbortController();
    left.abort();
    await expect(answered(api.GET('/overlays', { signal: left.signal }))).rejects.toMatchObject({ name: 'AbortError' });
});
