import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactElement } from 'react';
import { afterEach, expect, test } from 'vitest';
import { queryKeys } from '@/api/queryKeys';
import { LogList } from '@/features/changelog/LogList';
import { DevicesDialog } from '@/features/self/DevicesDialog';
import { AskForLink } from '@/features/session/AskForLink';
import { SignInPage } from '@/features/session/SignInPage';
import { fakeServer, withQueries } from './server';

afterEach(cleanup);

function show(what: ReactElement) {
    const { client, wrapper } = withQueries();
    render(what, { wrapper });
    return client;
}

const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const refusal = (title: string, errors: { field: string; message: string }[] = []) => ({ status: 422, body: { type: 'about:blank', title, status: 422, detail: 'Try it otherwise.', errors } });

test('whoever signs in stays so on this device only where they ask for it', async () => {
    const asked = fakeServer(() => ({ body: { person: null, demo: null } }));
    show(<SignInPage demo={null} organisation="Skerrin Quay" />);
    type('Your address', 'ada@example.org');
    type('Password', 'oars and ropes');
    press('Sign in');
    await waitFor(() => expect(asked).toHaveLength(1));
    fireEvent.click(screen.getByLabelText('Stay signed in on this device'));
    await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Sign in' }).disabled).toBe(false));
    press('Sign in');
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked.map(({ method, path, body }) => [method, path, body])).toEqual([
        ['POST', '/session', { email: 'ada@example.org', password: 'oars and ropes', stay: false }],
        ['POST', '/session', { email: 'ada@example.org', password: 'oars and ropes', stay: true }],
    ]);
});

test('a refused sign-in is said at its field, or of the whole form, and what was typed stays', async () => {
    let answer: ReturnType<typeof refusal> = refusal('Check these', [{ field: 'email', message: 'Address and password do not belong together.' }]);
    fakeServer(() => answer);
    const client = show(<SignInPage demo={null} organisation="Skerrin Quay" />);
    type('Your address', 'ada@example.org');
    type('Password', 'wrong');
    press('Sign in');
    expect((await screen.findByRole('alert')).textContent).toBe('Address and password do not belong together.');
    expect(screen.getByLabelText('Your address').getAttribute('aria-invalid')).toBe('true');
    answer = refusal('Too many tries');
    press('Sign in');
    await waitFor(() => expect(screen.getByText('Too many tries Try it otherwise.')).toBeDefined());
    expect(screen.getByLabelText<HTMLInputElement>('Password').value).toBe('wrong');
    expect(client.getQueryData(queryKeys.session)).toBeUndefined();
});

test('a link to set a password is asked for once, and the same is said whoever has the address', async () => {
    const asked = fakeServer(() => ({ status: 204 }));
    show(<AskForLink email="ada@example.org" />);
    expect(screen.getByLabelText<HTMLInputElement>('Send a link to set a new password to').value).toBe('ada@example.org');
    type('Send a link to set a new password to', 'nobody@example.org');
    press('Send it');
    expect((await screen.findByRole('status')).textContent).toContain('If somebody here has this address');
    expect(screen.queryByRole('button')).toBeNull();
    expect(asked.map(({ path, body }) => [path, body])).toEqual([['/session/password-link', { email: 'nobody@example.org' }]]);
});

const devices = [
    { id: 'a'.repeat(24), address: '10.1.0.4', agent: 'Firefox on Linux', seenAt: '2026-11-26T09:00:00Z', current: true },
    { id: 'b'.repeat(24), address: '10.1.0.9', agent: '', seenAt: '2026-11-25T09:00:00Z', current: false },
];

test('one is signed out in one place or everywhere else, never here', async () => {
    let there = devices;
    const asked = fakeServer(({ method }) => (method === 'GET' ? { body: there } : { status: 204 }));
    show(<DevicesDialog onClose={() => undefined} />);
    const list = await screen.findByRole('list', { name: 'Signed in' });
    expect(within(list).getAllByRole('listitem').map((each) => each.textContent)).toEqual([
        expect.stringContaining('HereFirefox on Linux'),
        expect.stringContaining('10.1.0.9a browser that does not say what it is'),
    ]);
    expect(within(list).getAllByRole('button')).toHaveLength(1);
    there = devices.slice(0, 1);
    press('Sign out at 10.1.0.9');
    // Where nobody else is left there is nobody to sign out.
    await waitFor(() => expect(within(list).getAllByRole('listitem')).toHaveLength(1));
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Sign out everywhere else' }).disabled).toBe(true);
    expect(asked.filter(({ method }) => method === 'DELETE').map(({ path }) => path)).toEqual([`/session/devices/${'b'.repeat(24)}`]);
});

test('everywhere else is one request, and a list that cannot be fetched says so and is asked for again', async () => {
    let down = true;
    const asked = fakeServer(({ method }) => (method === 'DELETE' ? { status: 204 } : down ? { status: 500, body: { title: 'Something is broken here.', status: 500, detail: 'It was written down.' } } : { body: devices }));
    show(<DevicesDialog onClose={() => undefined} />);
    expect((await screen.findByRole('alert')).textContent).toContain('Something is broken here.');
    down = false;
    press('Try again');
    await screen.findByRole('list', { name: 'Signed in' });
    press('Sign out everywhere else');
    await waitFor(() => expect(asked.filter(({ method }) => method === 'DELETE').map(({ path }) => path)).toEqual(['/session/devices']));
});

const entries = [
    { id: 9, at: '2026-11-26T09:00:00Z', by: 'Root', words: 'group “Yard” deleted', revertable: true },
    { id: 8, at: '2026-11-25T09:00:00Z', by: 'Ada', words: 'feed link “The hall” made', revertable: false },
];

test('the change log offers to take back what can be, at the log that it stands in', async () => {
    const asked = fakeServer(() => ({ body: entries }));
    const { unmount } = render(<LogList of={{ kind: 'organisation' }} />, { wrapper: withQueries().wrapper });
    await screen.findByText('group “Yard” deleted');
    expect(screen.getAllByRole('button').map((each) => each.getAttribute('aria-label'))).toEqual(['Take back: group “Yard” deleted']);
    press('Take back: group “Yard” deleted');
    await waitFor(() => expect(asked.some(({ method, path }) => method === 'POST' && path === '/log/9/revert')).toBe(true));
    unmount();
    render(<LogList of={{ kind: 'calendar', slug: 'slip' }} />, { wrapper: withQueries().wrapper });
    await screen.findByText('feed link “The hall” made');
    press('Take back: group “Yard” deleted');
    await waitFor(() => expect(asked.at(-1)?.path).toMatch(/^\/calendars\/slip\/log/));
    expect(asked.filter(({ method }) => method === 'POST').map(({ path }) => path)).toEqual(['/log/9/revert', '/calendars/slip/log/9/revert']);
});

test('an empty log says so', async () => {
    fakeServer(() => ({ body: [] }));
    show(<LogList of={{ kind: 'organisation' }} />);
    expect(await screen.findByText('Nothing has been changed yet.')).toBeDefined();
});
