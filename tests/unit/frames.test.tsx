import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { lineOfMemberFrame } from '@/features/publishing/frameLine';
import { MemberFrames } from '@/features/publishing/MemberFrames';
import type { MemberFrame } from '@/features/publishing/useMemberFrames';
import { madeCalendar, refused } from './made';
import { fakeServer, withQueries } from './server';

afterEach(cleanup);

const KEY = '0123456789abcdef0123456789abcdef';

/** The application as it is opened in a frame: what it is in is known once, when it begins. */
async function inFrame<Module>(load: () => Promise<Module>): Promise<Module> {
    vi.resetModules();
    document.body.innerHTML = `<div id="application" data-frame="${KEY}"></div>`;
    return load();
}

describe('in a frame on another site', () => {
    beforeEach(() => localStorage.clear());
    afterEach(() => {
        document.body.innerHTML = '';
        vi.resetModules();
    });

    test('the API is told so with every request, and with addresses that the browser asks itself', async () => {
        document.cookie = 'XSRF-TOKEN=here';
        document.cookie = 'XSRF-TOKEN-MEMBERS=within';
        const { api } = await inFrame(() => import('@/api/client'));
        const { withFrame } = await import('@/api/frame');
        const sent: [string, string | null, string | null][] = [];
        vi.stubGlobal('fetch', (request: Request) => {
            sent.push([request.method, request.headers.get('X-Rota-Frame'), request.headers.get('X-XSRF-TOKEN')]);
            return Promise.resolve(new Response('[]', { headers: { 'Content-Type': 'application/json' } }));
        });
        await api.GET('/calendars');
        await api.DELETE('/session');
        vi.unstubAllGlobals();
        expect(sent).toEqual([['GET', KEY, null], ['DELETE', KEY, 'within']]);
        expect([withFrame('/api/v1/live'), withFrame('/api/v1/events/7/file?occurrence=x')]).toEqual([`/api/v1/live?frame=${KEY}`, `/api/v1/events/7/file?occurrence=x&frame=${KEY}`]);
    });

    test('nothing of somebody stays in the browser, and what the product itself has kept there stays as it is', async () => {
        localStorage.setItem('rota.stays', 'yes');
        const { storage } = await inFrame(() => import('@/offline/storage'));
        const { noteStay } = await import('@/offline/device');
        storage.setItem('rota.overlay', 'term');
        noteStay(false);
        expect(storage.getItem('rota.overlay')).toBe('term');
        expect(storage.names()).toEqual(['rota.overlay']);
        storage.removeItem('rota.overlay');
        expect(storage.getItem('rota.overlay')).toBeNull();
        expect({ ...localStorage }).toEqual({ 'rota.stays': 'yes' });
    });
});

test('a browser that forbids keeping anything is no reason to fail', async () => {
    vi.resetModules();
    const forbidden = vi.spyOn(window, 'localStorage', 'get').mockImplementation(() => {
        throw new DOMException('Access is denied for this document.', 'SecurityError');
    });
    const { storage } = await import('@/offline/storage');
    storage.setItem('rota.theme', 'dark');
    expect(storage.getItem('rota.theme')).toBe('dark');
    forbidden.mockRestore();
    expect(localStorage.getItem('rota.theme')).toBeNull();
});

describe('frames for members', () => {
    const made: MemberFrame = { id: 3, of: 'calendar', slug: 'keel-year', ofName: 'Keel year', view: 'week', mayChange: true, address: `http://127.0.0.1/members/${KEY}`, maker: 'Ada Quill', madeAt: '2026-11-27T08:00:00Z' };
    const show = (sites: string[], frames: MemberFrame[], answer: { status?: number; body?: unknown } = { body: made }) => {
        const asked = fakeServer(({ method, path }) => (method !== 'GET' ? answer : { body: path === '/member-frames' ? { sites, frames } : path === '/calendars' ? [madeCalendar({ slug: 'keel-year', name: 'Keel year', level: 'manage' }), madeCalendar({ slug: 'van', name: 'Van', level: 'change' })] : [] }));
        const { wrapper } = withQueries();
        render(<MemberFrames />, { wrapper });
        return { asked, changed: () => asked.filter(({ method }) => method !== 'GET').map(({ method, path, body }) => [method, path, body]) };
    };

    test('nothing is said of them where administrators name no site', async () => {
        const { asked } = show([], []);
        await waitFor(() => expect(asked.length).toBeGreaterThan(0));
        await Promise.resolve();
        expect(screen.queryByText('Frames for members')).toBeNull();
    });

    test('where the last site was taken off it is said that they show nothing, and they can be taken back', async () => {
        const { changed } = show([], [made]);
        expect(await screen.findByText(/No site is named any more/)).toBeDefined();
        fireEvent.click(screen.getByRole('button', { name: 'Take back the frame of Keel year' }));
        expect(changed()).toEqual([]);
        fireEvent.click(screen.getByRole('button', { name: 'Take it back' }));
        await waitFor(() => expect(changed()).toEqual([['DELETE', '/member-frames/3', null]]));
    });

    test('one is made of what one manages, to be read unless that is said otherwise', async () => {
        const { changed } = show(['https://www.school.example'], []);
        fireEvent.click(await screen.findByRole('button', { name: 'Make a frame for members' }));
        await screen.findByRole('option', { name: 'Keel year (calendar)' });
        expect(screen.queryByRole('option', { name: /^Van/ })).toBeNull();
        expect(screen.getByText(/It stands on https:\/\/www.school.example/)).toBeDefined();
        fireEvent.change(screen.getByLabelText('What'), { target: { value: 'calendar:keel-year' } });
        fireEvent.change(screen.getByLabelText('It opens as'), { target: { value: 'month' } });
        fireEvent.click(screen.getByRole('button', { name: 'Make it' }));
        await waitFor(() => expect(changed()).toEqual([['POST', '/member-frames', { calendar: 'keel-year', view: 'month', mayChange: false }]]));
    });

    test('one is changed, and what is refused is told while what was chosen stays', async () => {
        const { changed } = show(['https://www.school.example'], [made], refused(409, 'No site is named.'));
        expect(await screen.findByText(/opens as Week, events can be changed/)).toBeDefined();
        fireEvent.click(screen.getByRole('button', { name: 'Change the frame of Keel year' }));
        fireEvent.click(screen.getByLabelText(/may add, move and change/));
        fireEvent.click(screen.getByRole('button', { name: 'Save' }));
        expect(await screen.findByText('No site is named.')).toBeDefined();
        expect(screen.getByLabelText<HTMLInputElement>(/may add, move and change/).checked).toBe(false);
        expect(changed()).toEqual([['PUT', '/member-frames/3', { view: 'week', mayChange: false }]]);
    });

    test('its line holds a name that has quotes in it', () => {
        expect(lineOfMemberFrame('http://127.0.0.1/members/1', 'The “new” <yard> & "slip"')).toBe('<iframe src="http://127.0.0.1/members/1" title="The “new” &lt;yard> &amp; &quot;slip&quot;" style="width:100%;height:700px;border:0" loading="lazy"></iframe>');
    });
});
