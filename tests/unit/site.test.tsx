import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { queryKeys } from '@/api/queryKeys';
import { PersonRow } from '@/features/people/PersonRow';
import { SiteNotice } from '@/features/site/SiteNotice';
import { madeDirectoryPerson, madePerson } from './made';
import { fakeServer, withQueries, type Asked } from './server';

vi.mock('@tanstack/react-router', () => ({ Link: ({ children }: { children: string }) => <a href="/">{children}</a> }));

const site = { sendsMail: true, stopped: [] as unknown[] };
let asked: Asked[];

beforeEach(() => {
    Object.assign(site, { sendsMail: true, stopped: [] });
    asked = fakeServer(({ method, path }) => {
        if (path === '/site') return { body: site };
        return method === 'POST' ? { status: 201, body: { url: 'https://rota.example.org/password?token=abc' } } : { body: [] };
    });
});

afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
});

function show(element: React.ReactElement, role: 'administrator' | 'member' = 'administrator') {
    const { client, wrapper } = withQueries();
    client.setQueryData(queryKeys.session, { person: madePerson({ role }), demo: null });
    render(element, { wrapper });
}

test('administrators see what stands still and what to do; nobody else asks', async () => {
    site.stopped = [{ part: 'letters', undone: 'no letters go out', unit: 'pinned-rota-letters', since: '2026-11-26T09:00:00Z' }, { part: 'work', undone: 'imports wait', unit: 'pinned-rota-work', since: null }];
    show(<SiteNotice />);
    const notice = await screen.findByRole('status');
    expect(notice.textContent).toMatch(/Since 26 Nov, 09:00 no letters go out\..*systemctl status pinned-rota-letters.*Until now imports wait\./);
    cleanup();
    asked.length = 0;
    show(<SiteNotice />, 'member');
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(asked).toEqual([]);
    expect(screen.queryByRole('status')).toBeNull();
});

test('where all is at work nothing is said', async () => {
    show(<SiteNotice />);
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(screen.queryByRole('status')).toBeNull();
});

test('where letters go out one invites; where none do, one hands a link over, which is shown once', async () => {
    const writeText = vi.fn().mockResolvedValue(undefined);
    Object.defineProperty(navigator, 'clipboard', { value: { writeText }, configurable: true });
    show(<PersonRow person={madeDirectoryPerson({ name: 'Nea New', hasComeIn: false })} />);
    await screen.findByRole('button', { name: 'Invite Nea New' });
    expect(screen.queryByRole('button', { name: 'A link for Nea New' })).toBeNull();
    cleanup();
    site.sendsMail = false;
    show(<PersonRow person={madeDirectoryPerson({ name: 'Nea New', hasComeIn: false })} />);
    const button = await screen.findByRole('button', { name: 'A link for Nea New' });
    expect(button.textContent).toBe('Link to come in');
    expect(screen.queryByRole('button', { name: 'Invite Nea New' })).toBeNull();
    fireEvent.click(button);
    const link = await screen.findByRole('textbox', { name: 'Link' });
    expect(link).toHaveProperty('value', 'https://rota.example.org/password?token=abc');
    fireEvent.click(screen.getByRole('button', { name: 'Copy' }));
    expect(writeText).toHaveBeenCalledWith('https://rota.example.org/password?token=abc');
    await screen.findByRole('button', { name: 'Copied' });
    fireEvent.click(screen.getByRole('button', { name: 'Done' }));
    await waitFor(() => expect(screen.queryByRole('textbox', { name: 'Link' })).toBeNull());
});

test('whoever has come in already is helped to a new password', async () => {
    site.sendsMail = false;
    show(<PersonRow person={madeDirectoryPerson({ name: 'Ben Oar', hasComeIn: true })} />);
    expect((await screen.findByRole('button', { name: 'A link for Ben Oar' })).textContent).toBe('Link for a new password');
});
