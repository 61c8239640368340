import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState, type ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { TakingPart } from '@/features/events/Parties';
import { SaveButtons } from '@/features/events/SaveButtons';
import { useTelling } from '@/features/events/useTelling';
import { LettersList } from '@/features/organisation/LettersList';
import { countTold, namedOf, together, type Participant } from '@/features/participants/participants';
import { ParticipantsPicker } from '@/features/participants/ParticipantsPicker';
import { OwnReminders } from '@/features/reminders/OwnReminders';
import { Replies } from '@/features/waiting/Replies';
import { madeEvent, madeParticipant, madePerson, refused } from './made';
import { fakeServer, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({ Link: ({ children, search }: { children: ReactNode; search: unknown }) => <a href={`/?${JSON.stringify(search)}`}>{children}</a> }));

afterEach(cleanup);
beforeEach(() => window.localStorage.clear());

const ben = madeParticipant({ id: 2, name: 'Ben Oar' });
const crew = madeParticipant({ kind: 'group', id: 5, name: 'Crew', size: 4 });
const guest = madeParticipant({ kind: 'other', id: null, name: 'Gus', address: 'gus@elsewhere.example' });

test('who is told is counted: of a group each, and not oneself, a room, or who is there by a group alone', () => {
    expect(countTold([ben, crew, guest, madeParticipant({ id: 1 }), madeParticipant({ kind: 'room', id: 3 }), madeParticipant({ id: 9, memberOf: 5 }), madeParticipant({ kind: 'other', id: null })], 1)).toBe(6);
    expect(countTold(together([ben], [madeParticipant({ id: 2 }), guest]), 1)).toBe(2);
    expect(namedOf([guest, madeParticipant({ kind: 'other', id: null, name: 'a@b.example', address: 'a@b.example' })])).toEqual([
        { kind: 'address', address: 'gus@elsewhere.example', name: 'Gus', part: 'required' },
        { kind: 'address', address: 'a@b.example', name: '', part: 'required' },
    ]);
});

describe('how a form ends', () => {
    const sent = vi.fn();
    function Form({ now, was = [], status = 'confirmed', early = false }: { now: Participant[]; was?: Schemas['EventParticipant'][]; status?: Schemas['Event']['status']; early?: boolean }) {
        const telling = useTelling(was.length === 0 ? null : madeEvent({ participants: was }), now, status, early);
        return (
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    sent(telling.sent(), telling.told());
                }}
            >
                <SaveButtons verb="Save" plain="Save" telling={telling} pending={false} onLeave={() => undefined} />
            </form>
        );
    }
    const show = (of: Parameters<typeof Form>[0]) => {
        const { wrapper, client } = withQueries();
        client.setQueryData(queryKeys.session, { person: madePerson({ id: 1 }) });
        sent.mockClear();
        return render(<Form {...of} />, { wrapper });
    };
    const buttons = () => screen.getAllByRole('button').map((each) => each.textContent);

    test('where nobody is told it is saved, and that is all', () => {
        show({ now: [madeParticipant({ id: 1 })] });
        expect(buttons()).toEqual(['Save', 'Cancel']);
        fireEvent.click(screen.getByRole('button', { name: 'Save' }));
        expect(sent).toHaveBeenCalledWith({}, 0);
    });

    test('else it is said how many are, those who are taken off among them, and what was chosen is offered first from then on', () => {
        show({ now: [guest], was: [ben] });
        expect(buttons()).toEqual(['Save and tell 2 people', 'Save quietly', 'Cancel']);
        fireEvent.click(screen.getByRole('button', { name: 'Save quietly' }));
        expect(sent).toHaveBeenCalledWith({ tell: false }, 0);
        cleanup();
        show({ now: [guest], was: [guest] });
        expect(buttons()).toEqual(['Save quietly', 'Save and tell 1 person', 'Cancel']);
        fireEvent.click(screen.getByRole('button', { name: 'Save and tell 1 person' }));
        expect(sent).toHaveBeenCalledWith({ tell: true }, 1);
    });

    test('what is not settled asks nobody', () => {
        show({ now: [guest], status: 'provisional' });
        expect(buttons()).toEqual(['Save', 'Cancel']);
        cleanup();
        show({ now: [guest], was: [guest], status: 'provisional' });
        expect(buttons()[0]).toBe('Save and tell 1 person');
    });
});

describe('somebody outside', () => {
    const show = (found: Schemas['DirectoryEntry'][] = []) => {
        fakeServer(() => ({ body: found }));
        const { wrapper } = withQueries();
        function Picker() {
            const [chosen, setChosen] = useState<Participant[]>([]);
            return <ParticipantsPicker chosen={chosen} onChange={setChosen} error={undefined} onRoom={() => undefined} />;
        }
        render(<Picker />, { wrapper });
        return screen.getByRole('combobox');
    };

    test('is asked by their mail address, once, by the keyboard alone', async () => {
        const field = show();
        for (const address of ['Gus@elsewhere.example', 'gus@Elsewhere.example']) {
            fireEvent.change(field, { target: { value: address } });
            await screen.findByRole('option', { name: `Ask ${address} by mail` });
            fireEvent.keyDown(field, { key: 'Enter' });
        }
        expect(screen.getByRole('list', { name: 'Who takes part' }).textContent).toContain('Gus@elsewhere.example by mail');
        expect(screen.getAllByRole('button', { name: /^Take/ })).toHaveLength(1);
        fireEvent.click(screen.getByRole('button', { name: 'Take Gus@elsewhere.example off' }));
        expect(screen.queryByRole('list', { name: 'Who takes part' })).toBeNull();
    });

    test('whoever is found goes first, and what is no address is not offered', async () => {
        const field = show([{ kind: 'person', id: 2, name: 'Ben Oar', about: 'Rigger' }]);
        fireEvent.change(field, { target: { value: 'ben@' } });
        await screen.findByRole('option', { name: /Ben Oar/ });
        expect(screen.getAllByRole('option')).toHaveLength(1);
        fireEvent.change(field, { target: { value: 'ben@example.org' } });
        await waitFor(() => expect(screen.getAllByRole('option')).toHaveLength(2));
        fireEvent.keyDown(field, { key: 'Enter' });
        expect(screen.getByRole('list', { name: 'Who takes part' }).textContent).not.toContain('by mail');
    });
});

describe('what came back by mail', () => {
    const reply: Schemas['ReplyWaiting'] = {
        id: 4, kind: 'proposal', event: 7, occurrence: null, title: 'Oar test', from: 'Gus', received: '2026-11-02T10:00:00Z', was: '2026-12-01T14:00', start: '2026-12-02T15:00', end: '2026-12-02T16:00', allDay: false,
        answer: null, note: 'Later suits me', reason: null, mayTake: true, calendar: { slug: 'slip', name: 'Slipway', colour: 'sea', mark: 'disc' },
    };
    const show = (more: Partial<Schemas['ReplyWaiting']>, answer: { status?: number; body?: unknown } = { status: 204 }) => {
        const sent = fakeServer(() => answer);
        const { wrapper } = withQueries();
        render(<Replies replies={[{ ...reply, ...more }]} />, { wrapper });
        return () => sent.map(({ method, path, body }) => [method, path, body]);
    };

    test('another time is taken or not, in one step', async () => {
        const sent = show({});
        expect(screen.getByRole('listitem').textContent).toContain('Gus proposes Wednesday 2 December, 15:00–16:00');
        fireEvent.click(screen.getByRole('button', { name: 'Move it there: Oar test, Gus' }));
        await waitFor(() => expect(sent()).toContainEqual(['PUT', '/replies/4', { take: true }]));
    });

    test('what cannot be taken can only be left, and an answer that was not counted says why', () => {
        show({ kind: 'answer', answer: 'accepted', reason: 'unsigned', mayTake: false });
        expect(screen.getByRole('listitem').textContent).toContain('Gus comes');
        expect(screen.getByRole('listitem').textContent).toContain('It is not certain that it is from them');
        expect(screen.getAllByRole('button').map((each) => each.textContent)).toEqual(['Leave it']);
        cleanup();
        show({ kind: 'message', mayTake: false });
        expect(screen.getAllByRole('button').map((each) => each.textContent)).toEqual(['Seen']);
    });

    test('what is refused is said where it stands', async () => {
        show({}, refused(422, 'They are not asked to this any more.'));
        fireEvent.click(screen.getByRole('button', { name: /^Move it there/ }));
        expect((await screen.findByRole('alert')).textContent).toContain('They are not asked to this any more.');
    });
});

describe('the letters that went out', () => {
    const letter: Schemas['OutboxLetter'] = { id: 3, kind: 'invitation', to: 'Ben Oar', state: 'sent', at: '2026-11-02T10:00:00Z', due: null, sent: '2026-11-02T10:10:00Z', attempts: 1, problem: '' };
    const show = (letters: Schemas['OutboxLetter'][]) => {
        const sent = fakeServer(({ method }) => ({ body: method === 'GET' ? letters : letter }));
        const { wrapper } = withQueries();
        render(<LettersList />, { wrapper });
        return () => sent.map(({ method, path }) => `${method} ${path}`);
    };

    test('each says to whom and what became of it; what was given up is tried again', async () => {
        const sent = show([letter, { ...letter, id: 4, state: 'failed', to: 'gus@elsewhere.example', problem: '550 No such mailbox' }, { ...letter, id: 5, state: 'dropped', problem: 'It is over.' }, { ...letter, id: 6, state: 'waiting', sent: null, due: '2026-11-02T10:30:00Z', attempts: 2, problem: 'Away' }]);
        const rows = (await screen.findAllByRole('listitem')).map((each) => each.textContent);
        expect(rows[0]).toContain('Invitation to Ben OarSent');
        expect(rows[1]).toContain('Given up: 550 No such mailbox');
        expect(rows[2]).toContain('Not sent: It is over.');
        expect(rows[3]).toContain('Tried 2 times (Away), waits until');
        expect(screen.getAllByRole('button')).toHaveLength(1);
        fireEvent.click(screen.getByRole('button', { name: 'Try the letter to gus@elsewhere.example again' }));
        await waitFor(() => expect(sent()).toContain('POST /outbox/4/again'));
    });

    test('where there are none it says so', async () => {
        show([]);
        expect(await screen.findByText('No letter has been written yet.')).toBeDefined();
        fireEvent.click(screen.getByLabelText('Only what did not go'));
        expect(await screen.findByText('Every letter went.')).toBeDefined();
    });
});

test('who may change an event asks those again who are silent, and nobody where all have answered', async () => {
    const sent = fakeServer(() => ({ body: { asked: 4 } }));
    const { wrapper } = withQueries();
    const { rerender } = render(<TakingPart of={[crew]} event={madeEvent()} />, { wrapper });
    fireEvent.click(screen.getByRole('button', { name: 'Ask again who has not answered' }));
    await waitFor(() => expect(sent.map(({ method, path }) => `${method} ${path}`)).toContain('POST /events/7/asked-again'));
    for (const [of, event] of [[[madeParticipant({ answer: 'declined' })], madeEvent()], [[madeParticipant({ part: 'informed' })], madeEvent()], [[crew], madeEvent({ mayDelete: false })], [[crew], madeEvent({ asks: false })]] as const) {
        rerender(<TakingPart of={[...of]} event={event} />);
        expect(screen.queryByRole('button', { name: /^Ask again/ })).toBeNull();
    }
});

describe('when one is reminded of an event', () => {
    const show = (more: Partial<Schemas['Event']>) => {
        const sent = fakeServer(() => ({ status: 204 }));
        const { wrapper } = withQueries();
        render(<OwnReminders event={madeEvent(more)} />, { wrapper });
        return () => sent.filter(({ method }) => method === 'PUT').map(({ path, body }) => [path, body]);
    };

    test('it is picked, taken as it is suggested, and taken back', async () => {
        const sent = show({ ownReminders: [60], reminders: [60, 1440] });
        expect(screen.getAllByRole('option').map((each) => each.textContent)).not.toContain('1 hour before');
        fireEvent.click(screen.getByRole('button', { name: 'as suggested, 1 day before' }));
        await waitFor(() => expect(sent()).toEqual([['/events/7/reminders', { minutes: [60, 1440] }]]));
        cleanup();
        const picked = show({ ownReminders: [60] });
        fireEvent.change(screen.getByLabelText('Remind me by mail'), { target: { value: '10' } });
        await waitFor(() => expect(picked()).toEqual([['/events/7/reminders', { minutes: [60, 10] }]]));
        cleanup();
        const back = show({ ownReminders: [60] });
        fireEvent.click(screen.getByRole('button', { name: 'Do not remind me 1 hour before' }));
        await waitFor(() => expect(back()).toEqual([['/events/7/reminders', { minutes: [] }]]));
    });
});
