import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { FollowDialog } from '@/features/following/FollowDialog';
import { followable, followOf, howWords, type Follow } from '@/features/following/following';
import { FollowingPage } from '@/features/following/FollowingPage';
import { Done } from '@/features/waiting/Done';
import { Notices } from '@/features/waiting/Notices';
import { fakeServer, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({
    Link: ({ children, search, onClick }: { children: ReactNode; search: unknown; onClick?: () => void }) => (
        <a
            href={`/?${JSON.stringify(search)}`}
            onClick={(event) => {
                event.preventDefault();
                onClick?.();
            }}
        >
            {children}
        </a>
    ),
}));

afterEach(cleanup);

const slip = { slug: 'slip', name: 'Slipway', colour: 'sea', mark: 'disc' } as const;

function madeFollow(more: Partial<Follow> = {}): Follow {
    return { id: 3, kind: 'calendar', name: 'Slipway', calendar: slip, category: null, overlay: null, person: null, event: null, changes: ['moved'], pace: 'now', byMail: true, inInbox: false, ...more };
}

const mine = madeFollow({ id: null, kind: 'mine', name: 'What you take part in', calendar: null, inInbox: true });
const digests: Schemas['Digest'][] = [
    { pace: 'daily', hour: 7, weekday: 0, byMail: true, next: '2026-11-29T07:00:00Z' },
    { pace: 'weekly', hour: 7, weekday: 0, byMail: false, next: '2026-11-30T07:00:00Z' },
];

function madeNotice(more: Partial<Schemas['Notice']> = {}): Schemas['Notice'] {
    return { id: 8, at: '2026-11-28T09:00:00Z', pace: 'now', read: false, lines: [{ words: 'Oar test moved from Tue 1 to Thu 3 December, same time', change: 'moved', calendar: slip, event: 7, occurrence: null, date: '2026-12-03' }], ...more };
}

test('what is followed is found again by what it is, whatever else is followed on the same calendar', () => {
    const exam = madeFollow({ id: 4, kind: 'category', name: 'exam', category: 12 });
    const event = madeFollow({ id: 5, kind: 'event', name: 'Haul out', event: 7 });
    const all = [mine, exam, event, madeFollow()];
    expect(all.map((each) => followOf(all, followable(each)))).toEqual(all);
    expect(followOf(all, { input: { kind: 'category', calendar: 'slip', category: 13 }, name: 'lecture' })).toBeUndefined();
    expect(howWords(madeFollow({ inInbox: true }))).toBe('as it happens, by mail and under “For you”');
    expect(howWords(madeFollow({ pace: 'off' }))).toBe('never');
});

describe('how something is followed', () => {
    const show = (what: Parameters<typeof FollowDialog>[0]['what'], follows: Follow[], answer: Parameters<typeof fakeServer>[0] = () => ({ body: { follows, digests } })) => {
        const sent = fakeServer((asked) => (asked.method === 'GET' ? { body: { follows, digests } } : answer(asked)));
        const onClose = vi.fn();
        const { wrapper } = withQueries();
        render(<FollowDialog what={what} onClose={onClose} />, { wrapper });
        return { sent, onClose };
    };

    test('what its managers suggest is chosen beforehand, and the usual changes with it', async () => {
        const { sent, onClose } = show({ input: { kind: 'calendar', calendar: 'slip' }, name: 'Slipway', suggested: 'weekly' }, [mine]);
        expect((await screen.findByRole<HTMLInputElement>('radio', { name: /^once a week/ })).checked).toBe(true);
        expect(screen.queryByRole('radio', { name: 'never' })).toBeNull();
        fireEvent.click(screen.getByRole('checkbox', { name: 'answers' }));
        fireEvent.click(screen.getByRole('checkbox', { name: 'new events' }));
        fireEvent.click(screen.getByRole('button', { name: 'Follow' }));
        await waitFor(() => expect(onClose).toHaveBeenCalled());
        expect(sent.at(-1)?.body ?? sent.find(({ method }) => method === 'PUT')?.body).toEqual({ kind: 'calendar', calendar: 'slip', changes: ['moved', 'changed', 'cancelled', 'answered'], pace: 'weekly', byMail: true, inInbox: true });
    });

    test('it opens as it is, an event can be muted, and is followed no longer', async () => {
        const { sent, onClose } = show({ input: { kind: 'event', event: 7 }, name: 'Haul out' }, [mine, madeFollow({ id: 5, kind: 'event', event: 7 })], ({ method }) => (method === 'DELETE' ? { status: 204 } : { body: { follows: [], digests } }));
        expect((await screen.findByRole<HTMLInputElement>('checkbox', { name: 'under “For you”' })).checked).toBe(false);
        fireEvent.click(screen.getByRole('radio', { name: 'never' }));
        expect(screen.queryByRole('checkbox', { name: 'by mail' })).toBeNull();
        fireEvent.click(screen.getByRole('button', { name: 'Follow no longer' }));
        await waitFor(() => expect(onClose).toHaveBeenCalled());
        expect(sent.some(({ method, path }) => method === 'DELETE' && path === '/follows/5')).toBe(true);
    });

    test('what is refused is said at what it is about, and nothing is lost', async () => {
        const { onClose } = show({ input: { kind: 'calendar', calendar: 'slip' }, name: 'Slipway' }, [mine], () => ({
            status: 422, body: { type: 'about:blank', title: 'Not understood', status: 422, detail: '', errors: [{ field: 'inInbox', message: 'Choose where you are told of it.' }] },
        }));
        fireEvent.click(await screen.findByRole('checkbox', { name: 'by mail' }));
        fireEvent.click(screen.getByRole('button', { name: 'Follow' }));
        await screen.findByText('Choose where you are told of it.');
        expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'by mail' }).checked).toBe(false);
        expect(onClose).not.toHaveBeenCalled();
    });
});

test('what one follows is listed; what one does not see any more has no name and can be ended', async () => {
    const sent = fakeServer(({ method }) => (method === 'GET' ? { body: { follows: [mine, madeFollow(), madeFollow({ id: 9, name: '', calendar: null })], digests } } : method === 'DELETE' ? { status: 204 } : { body: { follows: [mine], digests } }));
    const { wrapper } = withQueries();
    render(<FollowingPage />, { wrapper });
    const rows = within(await screen.findByRole('list', { name: 'What you follow' })).getAllByRole('listitem');
    expect(rows.map((row) => row.textContent)).toEqual([
        'What you take part inas it happens, by mail and under “For you”: movesChange', 'Slipway, calendaras it happens, by mail: movesChangeNo longer', 'Something that you do not see any more (calendar)as it happens, by mail: movesNo longer',
    ]);
    fireEvent.click(within(rows[2] as HTMLElement).getByRole('button'));
    await waitFor(() => expect(sent.some(({ path, method }) => method === 'DELETE' && path === '/follows/9')).toBe(true));
    const weekly = screen.getByRole('group', { name: 'Digest once a week' });
    fireEvent.change(within(weekly).getByLabelText('Day of the digest'), { target: { value: '4' } });
    await waitFor(() => expect(sent.find(({ path }) => path === '/digests/weekly')?.body).toEqual({ hour: 7, weekday: 4, byMail: false }));
});

test('a notice is read once it is looked at, and can be put back', async () => {
    const sent = fakeServer(() => ({ status: 204 }));
    const { wrapper } = withQueries();
    const { rerender } = render(<Notices notices={[madeNotice()]} label="What changed" />, { wrapper });
    const link = screen.getByRole('link', { name: /^Oar test moved/ });
    expect(link.getAttribute('href')).toBe('/?{"calendar":"slip","date":"2026-12-03","event":7}');
    fireEvent.click(link);
    await waitFor(() => expect(sent.at(0)).toMatchObject({ method: 'PUT', path: '/notices/8', body: { read: true } }));
    rerender(<Notices notices={[madeNotice({ read: true })]} label="What changed" />);
    fireEvent.click(screen.getByRole('link', { name: /^Oar test moved/ }));
    fireEvent.click(screen.getByRole('button', { name: /^Not read/ }));
    await waitFor(() => expect(sent.filter(({ method }) => method === 'PUT')).toHaveLength(2));
    expect(sent.filter(({ method }) => method === 'PUT').at(-1)?.body).toEqual({ read: false });
});

test('what is done is out of the way until it is asked for', () => {
    const { wrapper } = withQueries();
    const { container, rerender } = render(<Done answered={[]} notices={[]} />, { wrapper });
    expect(container.textContent).toBe('');
    rerender(<Done answered={[{ id: 7, occurrence: null, title: 'Haul out', start: '2026-12-01T09:00', end: '2026-12-01T10:00', allDay: false, answer: 'accepted', calendar: slip }]} notices={[madeNotice({ read: true })]} />);
    expect(screen.queryByRole('list')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Show what you answered and read of late (2)' }));
    expect(screen.getByRole('list', { name: 'What you answered' }).textContent).toBe('Haul out, Tuesday 1 December, 9:00–10:00I come');
});
