import { cleanup, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { STARTS } from '@/features/overlays/starts';
import { PasswordPage } from '@/features/session/PasswordPage';
import { fakeServer, withQueries } from './server';

const link = { email: 'ada@example.org', token: 'of the letter' as string | undefined };
vi.mock('@tanstack/react-router', () => ({ useSearch: () => link, useNavigate: () => vi.fn(), Link: ({ children }: { children: string }) => <a href="/">{children}</a> }));

afterEach(() => {
    cleanup();
    link.token = 'of the letter';
});

function open(holds: boolean | 'lost') {
    const asked = fakeServer(() => (holds === 'lost' ? 'lost' : { body: { holds } }));
    const { wrapper } = withQueries();
    render(<PasswordPage />, { wrapper });
    return asked;
}

test('a link that is over says so before anybody thinks of a password, and has a new one asked for', async () => {
    const asked = open(false);
    expect(await screen.findByRole('heading', { name: 'This link is over' })).toBeDefined();
    expect(screen.queryByLabelText('New password')).toBeNull();
    expect(screen.getByLabelText<HTMLInputElement>('Send a link to set a new password to').value).toBe('ada@example.org');
    expect(asked.map(({ method, path, body }) => [method, path, body])).toEqual([['POST', '/session/password-link/check', { email: 'ada@example.org', token: 'of the letter' }]]);
});

test('a link that was not copied whole is over, too, and nobody is asked', () => {
    link.token = undefined;
    const asked = open(true);
    expect(screen.getByRole('heading', { name: 'This link is over' })).toBeDefined();
    expect(asked).toEqual([]);
});

test('a link that holds, or of which it is not known, takes a password', async () => {
    const asked = open(true);
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(screen.getByLabelText('New password')).toBeDefined();
    cleanup();
    open('lost');
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(screen.getByLabelText('New password')).toBeDefined();
});

test('what an overlay can start from gives layers, or says why it has none', () => {
    const bare = STARTS.map(({ name, layers, nothing }) => [name, layers([], [], []).length, nothing === '']);
    expect(bare).toEqual([
        ['all that is on my list', 0, false],
        ['what my groups keep', 0, false],
        ['a layer for each category', 0, false],
        ['a layer for each person of my groups', 0, false],
        ['mine, and everyone else’s', 2, true],
    ]);
    const names = (start: string) => STARTS.find((each) => each.name === start)?.layers([], ['launch', 'survey'], [{ id: 4, name: 'Ben Oar' }]).map((each) => each.name);
    expect(names('a layer for each category')).toEqual(['launch', 'survey', 'Everything else']);
    expect(names('a layer for each person of my groups')).toEqual(['Ben Oar', 'Everything else']);
});
