import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { onBringIn, type Given } from '@/features/imports/bringIn';
import { SourceCard } from '@/features/sources/SourceCard';
import { everyWords } from '@/features/sources/sourceWords';
import { SourcesOnCalendar } from '@/features/sources/SourcesOnCalendar';
import { SubscribeForm } from '@/features/sources/SubscribeForm';
import { fakeServer, job, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({ Link: ({ children }: { children: React.ReactNode }) => <a href="#there">{children}</a>, getRouteApi: () => ({ useSearch: () => ({}) }) }));
vi.mock('@/features/session/useSession', () => ({ usePerson: () => ({ role: 'member' }) }));
afterEach(cleanup);

const REFRESH: Schemas['Refresh'] = { id: 7, at: '2026-11-26T10:00:00Z', state: 'done', counts: { added: 2, changed: 0, unchanged: 3, removed: 1 }, error: null, reversible: true };

function madeSource(more: Partial<Schemas['Source']> = {}): Schemas['Source'] {
    return {
        id: 3, calendar: { slug: 'tides', name: 'Tides', colour: 'pine', mark: 'waves' }, url: 'https://example.org/tides.ics', kind: 'calendar', mayManage: true, refreshMinutes: 60, everyMinutes: 60,
        succeededAt: '2026-11-26T10:00:00Z', nextAt: '2026-11-26T11:00:00Z', error: null, failingSince: null, declined: false, held: null, signIn: 'none', user: '',
        terms: { follow: false, order: null, conditions: [], busy: null, categories: [], renamed: [] }, catalogue: null, pins: [], history: [REFRESH], ...more,
    };
}

type Answer = (asked: { method: string; path: string }) => { status?: number; body?: unknown };

function showCard(source: Schemas['Source'], answer: Answer = () => ({ body: job({ kind: 'refresh', counts: null }) })) {
    const sent = fakeServer((asked) => {
        const told = answer(asked);
        // Where a test says nothing of lists, there is nothing in them.
        return asked.method === 'GET' && ['/calendars', '/overlays'].includes(asked.path) && !Array.isArray(told.body) ? { body: [] } : told;
    });
    render(<SourceCard source={source} />, { wrapper: withQueries().wrapper });
    return () => sent.filter(({ method }) => method !== 'GET').map(({ method, path, body }) => [method, path, body]);
}

test('how often something is fetched, in words', () => {
    expect([15, 60, 90, 120, 1440, 10_080].map(everyWords)).toEqual(['every 15 minutes', 'every hour', 'every 90 minutes', 'every 2 hours', 'every day', 'every 7 days']);
});

test('who only reads a source sees how it fares, and is offered nothing', () => {
    showCard(madeSource({ mayManage: false, terms: null, url: 'example.org', error: 'The far side has a fault (500). Try again later.', failingSince: '2026-11-25T08:00:00Z' }));
    expect(screen.getByRole('alert').textContent).toContain('It fails since 25 Nov');
    expect(screen.queryAllByRole('button')).toEqual([]);
});

test('what is held back says how much is gone; both answers are one click', async () => {
    const held = { ...REFRESH, state: 'held' as const, reversible: false, counts: { added: 1, changed: 0, unchanged: 2, removed: 4 } };
    const sent = showCard(madeSource({ held }), ({ method }) => (method === 'PUT' ? { status: 204 } : { body: [] }));
    const section = within(screen.getByRole('region', { name: 'Held back: Tides' }));
    expect(section.getByText('4 of 6 events are gone there.')).not.toBeNull();
    expect(section.getByText(/it also has 1 new and 0 changed/)).not.toBeNull();
    fireEvent.click(section.getByRole('button', { name: 'Keep what is there: Tides' }));
    await waitFor(() => expect(sent()).toEqual([['PUT', '/sources/3/refreshes/7', { take: false }]]));
});

test('the events of a refresh are asked for when one wants them, and one goes back to before it', async () => {
    const events: Schemas['RefreshedEvent'][] = [
        { verdict: 'removed', title: 'Noon boat', start: '2026-12-01', allDay: true, repeats: false, changes: [] },
        { verdict: 'changed', title: 'Night boat', start: '2026-12-02T20:00', allDay: false, repeats: true, changes: [{ of: null, field: 'place', before: '', after: 'Slip' }] },
    ];
    const sent = showCard(madeSource(), ({ method }) => (method === 'POST' ? { status: 204 } : { body: events }));
    fireEvent.click(screen.getByRole('button', { name: /^Which events/ }));
    const list = within(await screen.findByRole('list', { name: 'Events of this refresh' }));
    expect(list.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual(['gone Noon boat, Tue 1 Dec', 'changed Night boat, Wed 2 Dec 20:00, repeatsplace: nothing → Slip', 'and 1 more.']);
    fireEvent.click(screen.getByRole('button', { name: /^Go back to before/ }));
    await waitFor(() => expect(sent()).toEqual([['POST', '/sources/3/refreshes/7/back', null]]));
});

test('of the settings only what is another is sent', async () => {
    const sent = showCard(madeSource());
    fireEvent.click(screen.getByRole('button', { name: 'Settings of Tides' }));
    const form = within(screen.getByRole('form', { name: 'Settings of Tides' }));
    fireEvent.change(form.getByLabelText('Fetched'), { target: { value: '1440' } });
    fireEvent.change(form.getByLabelText('What its categories are called here'), { target: { value: 'tide = water\nnonsense\nrace =' } });
    fireEvent.submit(screen.getByRole('form', { name: 'Settings of Tides' }));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(sent()[0]).toEqual(['PATCH', '/sources/3', { refreshMinutes: 1440, terms: { follow: false, order: null, conditions: [], busy: null, categories: [], renamed: [{ from: 'tide', to: 'water' }, { from: 'race', to: '' }] } }]);
});

test('an address is looked at before it is subscribed to; at another it is looked at anew', async () => {
    const found: Schemas['AddressFound'] = { url: 'https://example.org/a', name: 'Ferries', kind: 'page', count: 1, events: [{ title: 'Boat', start: '2026-12-01', end: '2026-12-02', allDay: true, place: '' }], ownMinutes: 1440, subscribed: [{ slug: 'f', name: 'Our ferries', by: 'Ada' }] };
    const sent = fakeServer(({ path }) => ({ body: path === '/sources/look' ? job({ kind: 'look', found }) : [] }));
    render(<SubscribeForm onClose={() => undefined} />, { wrapper: withQueries().wrapper });
    fireEvent.change(screen.getByLabelText('Address'), { target: { value: 'https://example.org/a ' } });
    expect(screen.queryByLabelText('Call it')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }));
    expect((await screen.findByLabelText<HTMLInputElement>('Call it')).value).toBe('Ferries');
    expect(screen.getByRole('region', { name: 'What is there' }).textContent).toContain('A page called Ferries, with one event; it asks to be fetched every day.');
    expect(screen.getByRole('note').textContent).toContain('Our ferries (kept by Ada)');
    fireEvent.change(screen.getByLabelText('Address'), { target: { value: 'https://example.org/b' } });
    expect(screen.queryByRole('button', { name: 'Subscribe' })).toBeNull();
    expect(sent.filter(({ method }) => method !== 'GET').map(({ path }) => path)).toEqual(['/sources/look']);
});

test('what is subscribed to becomes a layer of an overlay that one may change, before what takes the rest', async () => {
    const found: Schemas['AddressFound'] = { url: 'https://example.org/a', name: 'Ferries', kind: 'calendar', count: 1, events: [], ownMinutes: null, subscribed: [] };
    const layer = (name: string, takes: Schemas['OverlayLayer']['takes']): Schemas['OverlayLayer'] => ({ name, colour: 'sea', mark: 'disc', pattern: 'plain', takes, group: null, calendars: takes === 'chosen' ? ['boats'] : [], conditions: [] });
    const overlay = { slug: 'term', name: 'Term', version: 4, level: 'change', everyLayer: false, openingView: 'lanes', layers: [layer('Boats', 'chosen'), layer('The rest', 'rest')] };
    const sent = fakeServer(({ path, method }) => {
        if (path === '/overlays') return { body: [overlay, { ...overlay, slug: 'theirs', name: 'Theirs', level: 'see' }] };
        if (path === '/sources/look') return { body: job({ kind: 'look', found }) };
        return { body: method === 'POST' ? job({ kind: 'subscribe', title: 'Ferries', calendar: 'ferries' }) : method === 'PUT' ? overlay : [] };
    });
    render(<SubscribeForm onClose={() => undefined} />, { wrapper: withQueries().wrapper });
    fireEvent.change(screen.getByLabelText('Address'), { target: { value: 'https://example.org/a' } });
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }));
    const choice = await screen.findByLabelText<HTMLSelectElement>('A layer of');
    expect([...choice.options].map(({ text }) => text)).toEqual(['no overlay for now', 'Term']);
    fireEvent.change(choice, { target: { value: 'term' } });
    fireEvent.click(screen.getByRole('button', { name: 'Subscribe' }));
    await waitFor(() => expect(sent.some(({ path }) => path === '/overlays/term')).toBe(true));
    const body = sent.find(({ path }) => path === '/overlays/term')?.body as Schemas['OverlayInput'];
    expect(body.layers.map(({ name, takes, calendars }) => [name, takes, calendars])).toEqual([['Boats', 'chosen', ['boats']], ['Ferries', 'chosen', ['ferries']], ['The rest', 'rest', []]]);
});

test('a source is called and drawn otherwise from its settings, without being fetched', async () => {
    const calendar = { slug: 'tides', name: 'Tides', colour: 'pine', mark: 'waves', version: 6 };
    const sent = showCard(madeSource(), ({ path }) => ({ body: path === '/calendars' ? [calendar] : calendar }));
    fireEvent.click(screen.getByRole('button', { name: 'Settings of Tides' }));
    const form = within(screen.getByRole('form', { name: 'Settings of Tides' }));
    expect(form.getByRole<HTMLButtonElement>('button', { name: 'Call and draw it so' }).disabled).toBe(true);
    fireEvent.change(form.getByLabelText('Call it'), { target: { value: 'High water' } });
    fireEvent.click(form.getByRole('radio', { name: 'star' }));
    await waitFor(() => expect(form.getByRole<HTMLButtonElement>('button', { name: 'Call and draw it so' }).disabled).toBe(false));
    fireEvent.click(form.getByRole('button', { name: 'Call and draw it so' }));
    await waitFor(() => expect(sent()).toEqual([['PATCH', '/calendars/tides', { name: 'High water', colour: 'pine', mark: 'star' }]]));
});

const CALENDARS = [
    { slug: 'days', name: 'School days', level: 'manage', subscribed: false, archived: false },
    { slug: 'loft', name: 'Loft', level: 'add', subscribed: false, archived: false },
    { slug: 'old', name: 'Old', level: 'change', subscribed: false, archived: true },
    { slug: 'tides', name: 'Tides', level: 'manage', subscribed: true, archived: false },
];
const PIN: Schemas['SourcePin'] = { id: 5, source: 3, calendar: { slug: 'days', name: 'School days', colour: 'sea', mark: 'disc' }, by: 'Ada Quill', shared: true, mayUnpin: true };

test('all of a source is pinned to a calendar whose events one may change', async () => {
    const sent = showCard(madeSource(), ({ path }) => ({ body: path === '/calendars' ? CALENDARS : job({ kind: 'pin' }) }));
    const picker = await screen.findByLabelText<HTMLSelectElement>('Pin all of it to… a calendar: Tides');
    expect([...picker.options].map(({ text }) => text)).toEqual(['choose a calendar', 'School days']);
    fireEvent.change(picker, { target: { value: 'days' } });
    await waitFor(() => expect(sent()).toEqual([['POST', '/sources/3/pins', { calendar: 'days' }]]));
});

test('where it is pinned is said, and it is not offered to be pinned there twice', async () => {
    const sent = showCard(madeSource({ pins: [PIN, { ...PIN, id: 6, calendar: { slug: 'board', name: 'Board', colour: 'sea', mark: 'disc' }, shared: false, mayUnpin: false }] }), ({ path }) => ({ body: path === '/calendars' ? CALENDARS : job({ kind: 'pin' }) }));
    const list = within(screen.getByRole('list', { name: 'Pinned to: Tides' }));
    expect(list.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual(['all of it is on School days, too', 'on Board, but no longer shared with Ada Quill']);
    expect(screen.queryByLabelText('Pin all of it to… a calendar: Tides')).toBeNull();
    fireEvent.click(list.getByRole('button'));
    await waitFor(() => expect(sent()).toEqual([['DELETE', '/sources/3/pins/5', null]]));
});

test('a calendar says which sources are pinned to it; what is shared no more is pinned again by who sees it', async () => {
    const tides = { slug: 'tides', name: 'Tides', colour: 'pine' as const, mark: 'waves' as const };
    const sent = fakeServer(({ path, method }) => ({ body: method === 'GET' && path === '/calendars/days/sources' ? [{ ...PIN, calendar: null, shared: false, mayUnpin: false }, { ...PIN, id: 6, calendar: tides, by: null, shared: false }] : job({ kind: 'pin' }) }));
    render(<SourcesOnCalendar slug="days" name="School days" />, { wrapper: withQueries().wrapper });
    const rows = within(await screen.findByRole('list', { name: 'Sources pinned here' })).getAllByRole('listitem');
    expect(rows[0]?.textContent).toBe('A source that you do not seepinned by Ada Quill: they do not see it any more, so nothing of it shows');
    expect(rows[1]?.textContent).toContain('All of Tidespinned by somebody who has left');
    expect(rows.map((row) => within(row).queryAllByRole('button').map(({ textContent }) => textContent))).toEqual([[], ['Pin it again', 'Take it off']]);
    fireEvent.click(screen.getByRole('button', { name: 'Pin it again: Tides' }));
    await waitFor(() => expect(sent.filter(({ method }) => method === 'POST').map(({ path, body }) => [path, body])).toEqual([['/sources/3/pins', { calendar: 'days' }]]));
});

test('an address that was given for a calendar shows on that one, unless one says otherwise', async () => {
    const found: Schemas['AddressFound'] = { url: 'https://example.org/a', name: 'Ferries', kind: 'calendar', count: 1, events: [], ownMinutes: null, subscribed: [] };
    const sent = fakeServer(({ path }) => ({ body: path === '/calendars' ? CALENDARS : path === '/sources/look' ? job({ kind: 'look', found }) : path === '/sources' ? job({ kind: 'subscribe', title: 'Ferries', calendar: 'ferries' }) : [] }));
    render(<SubscribeForm address="https://example.org/a" into="days" onClose={() => undefined} />, { wrapper: withQueries().wrapper });
    const choice = await screen.findByLabelText<HTMLSelectElement>('Its events show');
    expect([...choice.options].map(({ text }) => text)).toEqual(['on a calendar of its own', 'on School days']);
    expect(choice.value).toBe('days');
    fireEvent.click(screen.getByRole('button', { name: 'Subscribe' }));
    await waitFor(() => expect(sent.find(({ path }) => path === '/sources')?.body).toMatchObject({ name: 'Ferries', pinTo: 'days' }));
});

test('who gives an address that somebody has already is offered theirs for the calendar, and nothing is fetched twice', async () => {
    const found: Schemas['AddressFound'] = { url: 'https://example.org/a', name: 'Tides', kind: 'calendar', count: 1, events: [], ownMinutes: null, subscribed: [{ slug: 'tides', name: 'Tides', by: 'Ada' }] };
    const onClose = vi.fn();
    const sent = fakeServer(({ path, method }) => ({ body: path === '/calendars' ? CALENDARS : path === '/sources' && method === 'GET' ? [madeSource()] : path === '/sources/look' ? job({ kind: 'look', found }) : method === 'POST' ? job({ kind: 'pin' }) : [] }));
    render(<SubscribeForm address="https://example.org/a" into="days" onClose={onClose} />, { wrapper: withQueries().wrapper });
    expect((await screen.findByRole('note')).textContent).toContain('Pinning that one to School days is enough.');
    fireEvent.click(await screen.findByRole('button', { name: 'Pin that one' }));
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(sent.filter(({ method, path }) => method === 'POST' && path !== '/sources/look').map(({ path, body }) => [path, body])).toEqual([['/sources/3/pins', { calendar: 'days' }]]);
});

test('a spreadsheet at an address is handed over as a file, to be brought in once', async () => {
    const given: Given[] = [];
    const stop = onBringIn((each) => given.push(each));
    const onClose = vi.fn();
    const sent = fakeServer(({ path }) => ({ body: path === '/sources/look' ? job({ id: 9, kind: 'look', hasFile: true }) : path === '/jobs/9/file' ? { octets: 1 } : [] }));
    render(<SubscribeForm address="https://example.org/hall/Bookings%202027.xlsx?v=3" into="days" onClose={onClose} />, { wrapper: withQueries().wrapper });
    expect((await screen.findByRole('region', { name: 'What is there' })).textContent).toContain('A spreadsheet or a document, Bookings 2027.xlsx. It is brought in once');
    expect(screen.queryByRole('button', { name: 'Subscribe' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'See what is in it' }));
    await waitFor(() => expect(given).toHaveLength(1));
    stop();
    expect(given[0]?.into).toBe('days');
    expect((given[0]?.given as File).name).toBe('Bookings 2027.xlsx');
    expect(onClose).toHaveBeenCalled();
    expect(sent.some(({ path, method }) => path === '/sources' && method === 'POST')).toBe(false);
});

test('in which overlays a source is a layer stands in its settings, and it is put into others from there', async () => {
    const layer = (name: string, takes: Schemas['OverlayLayer']['takes'], calendars: string[]): Schemas['OverlayLayer'] => ({ name, colour: 'sea', mark: 'disc', pattern: 'plain', takes, group: null, calendars, conditions: [] });
    const overlay = (slug: string, name: string, level: string, layers: Schemas['OverlayLayer'][]) => ({ slug, name, version: 4, level, everyLayer: false, openingView: 'lanes', layers });
    const overlays = [
        overlay('term', 'Term', 'change', [layer('Tides', 'chosen', ['tides'])]),
        overlay('boats', 'Boats', 'manage', [layer('Boats', 'chosen', ['boats']), layer('The rest', 'rest', [])]),
        overlay('theirs', 'Theirs', 'see', []),
    ];
    const sent = showCard(madeSource(), ({ path, method }) => ({ body: path === '/overlays' ? overlays : method === 'PUT' ? overlays[1] : [] }));
    fireEvent.click(screen.getByRole('button', { name: 'Settings of Tides' }));
    const form = within(screen.getByRole('form', { name: 'Settings of Tides' }));
    expect((await form.findByText('A layer of', { exact: false, selector: 'p' })).textContent).toBe('A layer of Term.');
    const choice = form.getByLabelText<HTMLSelectElement>('A layer of another');
    expect([...choice.options].map(({ text }) => text)).toEqual(['choose an overlay', 'Boats']);
    fireEvent.change(choice, { target: { value: 'boats' } });
    fireEvent.click(form.getByRole('button', { name: 'Put it there' }));
    await waitFor(() => expect(sent()).toHaveLength(1));
    const [method, path, body] = sent()[0] ?? [];
    expect([method, path, (body as Schemas['OverlayInput']).layers.map(({ name }) => name)]).toEqual(['PUT', '/overlays/boats', ['Boats', 'Tides', 'The rest']]);
});
