import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { TakingPart } from '@/features/events/Parties';
import { answerCounts } from '@/features/participants/answerWords';
import { UnseeingNote } from '@/features/sharing/UnseeingNote';
import { AskedEvents } from '@/features/waiting/AskedEvents';
import { madeCalendar, madeParticipant, refused } from './made';
import { fakeServer, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({ Link: ({ children, search }: { children: ReactNode; search: unknown }) => <a href={`/?${JSON.stringify(search)}`}>{children}</a> }));

afterEach(cleanup);

const asked: Schemas['AskedEvent'] = { id: 7, occurrence: null, title: 'Haul out', place: 'Slip', start: '2026-11-03T09:00', end: '2026-11-03T10:30', allDay: false, times: 1, by: 'Ada Quill', calendar: { slug: 'slipway', name: 'Slipway', colour: 'sea', mark: 'disc' }, provisional: false, places: null, placesTaken: 0 };

describe('events that one is asked to take part in', () => {
    const show = (events: Schemas['AskedEvent'][], answer: { status?: number; body?: unknown } = { status: 204 }) => {
        const sent = fakeServer(() => answer);
        const { wrapper } = withQueries();
        render(<AskedEvents asked={events} />, { wrapper });
        return () => sent.map(({ method, path, body }) => [method, path, body]);
    };

    test('each says what, when, where and by whom, and leads to it', () => {
        show([asked, { ...asked, id: 8, title: 'Rowing', occurrence: '2026-11-04T08:00:00Z', place: '', start: '2026-11-04T08:00', end: '2026-11-04T09:00', times: 2, by: '' }, { ...asked, id: 9, title: 'Regatta', allDay: true, start: '2026-12-05', end: '2026-12-07', times: 31 }]);
        const rows = screen.getAllByRole('listitem');
        expect(rows[0]?.textContent).toContain('Tuesday 3 November, 9:00–10:30, Slip');
        expect(rows[0]?.textContent).toContain('asked by Ada Quill, Slipway');
        expect(rows[1]?.textContent).toContain('and one more time within a year · Slipway');
        expect(rows[2]?.textContent).toContain('and 30 more times within a year');
        expect(screen.getByRole('link', { name: 'Haul out' }).getAttribute('href')).toBe('/?{"calendar":"slipway","date":"2026-11-03","event":7}');
        expect(screen.getByRole('link', { name: 'Rowing' }).getAttribute('href')).toContain('"occurrence":"2026-11-04T08:00:00Z"');
    });

    test('is answered where it stands', async () => {
        const sent = show([asked, { ...asked, id: 8, title: 'Rowing' }]);
        fireEvent.click(within(screen.getByRole('group', { name: 'Whether you take part in Rowing' })).getByRole('button', { name: 'perhaps' }));
        await waitFor(() => expect(sent()).toEqual([['PUT', '/events/8/answer', { answer: 'tentative' }]]));
    });

    test('can be answered again where an answer did not arrive', async () => {
        const sent = show([asked], refused(503, 'Too much at once.'));
        const come = screen.getByRole<HTMLButtonElement>('button', { name: 'I come' });
        fireEvent.click(come);
        await waitFor(() => expect(sent()).toHaveLength(1));
        await waitFor(() => expect(come.disabled).toBe(false));
    });
});

describe('who takes part in an event', () => {
    type Participant = Schemas['Event']['participants'][number];
    const made = (name: string, answer: Participant['answer'], kind: Participant['kind'] = 'person', id = 1, more: Partial<Participant> = {}) => madeParticipant({ kind, id, name, answer, ...more });
    const show = (of: Participant[]) => render(<TakingPart of={of} />, { wrapper: withQueries().wrapper });

    test('what they answered is counted, of people alone', () => {
        expect(answerCounts([made('Ann', 'accepted'), made('Ben', 'accepted'), made('Cy', 'tentative'), made('Di', 'declined'), made('Eve', 'unanswered'), made('Slip', 'accepted', 'room'), made('Crew', 'unanswered', 'group')])).toBe('2 come, 1 perhaps, 1 does not come, 1 has not answered');
        expect(answerCounts([made('Ann', 'unanswered'), made('Ben', 'unanswered', 'other')])).toBe('2 have not answered');
        expect(answerCounts([])).toBe('');
    });

    test('of a group each is counted, who has answered by their answer', () => {
        const crew = [made('Crew', 'unanswered', 'group', 5, { size: 4 }), made('Ann', 'accepted', 'person', 1, { memberOf: 5 }), made('Ben', 'declined', 'person', 2, { memberOf: 5 })];
        expect(answerCounts(crew)).toBe('1 comes, 1 does not come, 2 have not answered');
        show(crew);
        expect(document.body.textContent).toBe('1 comes, 1 does not come, 2 have not answeredCrew (4 people), Ann, Ben (does not come)');
    });

    test('a note stands with the answer, and a letter that did not arrive by the name', () => {
        show([made('Ann', 'accepted', 'person', 1, { note: 'Late' }), made('Gus', 'unanswered', 'other', 0, { bounce: '550 No such mailbox' })]);
        expect(document.body.textContent).toBe('Ann (comes: “Late”), Gus (not answered) (the letter did not arrive)');
        expect(screen.getByRole('note').title).toBe('550 No such mailbox');
    });

    test('of few nothing is counted; of many a dozen is named, and all once that is asked for', () => {
        show([made('Ann', 'accepted'), made('Ben', 'unanswered', 'person', 2)]);
        expect(document.body.textContent).toBe('Ann, Ben (not answered)');
        cleanup();
        show(Array.from({ length: 30 }, (_each, index) => made(`Rower ${index + 1}`, index < 2 ? 'accepted' : 'unanswered', 'person', index + 1)));
        expect(screen.getByText('2 come, 28 have not answered')).toBeDefined();
        expect(screen.queryByText('Rower 13')).toBeNull();
        fireEvent.click(screen.getByRole('button', { name: 'and 18 more' }));
        expect(screen.getByText('Rower 30')).toBeDefined();
        expect(screen.queryByRole('button', { name: /more$/ })).toBeNull();
    });
});

describe('who is asked and does not see the calendar', () => {
    const show = (level: 'manage' | 'add' | 'see', unseeing: { id: number; name: string }[]) => {
        const sent = fakeServer(({ method, path }) => (method !== 'GET' ? { body: {} } : path === '/calendars' ? { body: [madeCalendar({ slug: 'keel-year', name: 'Keel year', level, mayAdd: level !== 'see' })] } : { body: unseeing }));
        const { wrapper } = withQueries();
        render(<UnseeingNote calendar="keel-year" people={[9, 4]} />, { wrapper });
        return () => sent.filter(({ path }) => path !== '/calendars').map(({ method, path, body }) => [method, path, body]);
    };

    test('is said to whoever asks, who lets all of them see it at once where they manage it', async () => {
        const sent = show('manage', [{ id: 4, name: 'Ann' }, { id: 9, name: 'Ben' }]);
        expect(await screen.findByText(/Ann and Ben do not see “Keel year”: of it they see what they are asked to, and nothing else/)).toBeDefined();
        fireEvent.click(screen.getByRole('button', { name: 'Let them see it' }));
        await waitFor(() => expect(sent().filter(([method]) => method === 'PUT')).toEqual([4, 9].map((id) => ['PUT', '/calendars/keel-year/grants', { kind: 'person', id, level: 'see', letter: false }])));
    });

    test('is said to whoever may only add, with whom to turn to', async () => {
        show('add', [{ id: 4, name: 'Ann' }]);
        expect(await screen.findByText(/Ann does not see “Keel year”: of it they see what they are asked to, and nothing else. Those who manage it can let them see it/)).toBeDefined();
        expect(screen.queryByRole('button')).toBeNull();
    });

    test('is nothing where all see it, and is not asked by who may add nothing', async () => {
        const sent = show('manage', []);
        await waitFor(() => expect(sent()).toHaveLength(1));
        expect(screen.queryByRole('status')).toBeNull();
        cleanup();
        const none = show('see', [{ id: 4, name: 'Ann' }]);
        await new Promise((resolve) => setTimeout(resolve, 0));
        expect(none()).toEqual([]);
    });
});
