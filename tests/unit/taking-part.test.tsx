import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { FormProvider, useForm } from 'react-hook-form';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { queryKeys } from '@/api/queryKeys';
import type { Schemas } from '@/api/client';
import { inputOf, valuesOf, type EventValues } from '@/features/events/eventValues';
import { asksEarly, TermsFields } from '@/features/events/TermsFields';
import { Answer } from '@/features/participants/Answer';
import { BringOthers } from '@/features/participants/BringOthers';
import { isFull, placeWords } from '@/features/participants/placeWords';
import { Remarks } from '@/features/remarks/Remarks';
import { leavingWords } from '@/features/reminders/reminderWords';
import { madeCalendar, madeEvent, madeParticipant } from './made';
import { fakeServer, withQueries } from './server';

afterEach(cleanup);

describe('the terms of taking part', () => {
    function Form({ event, calendar = madeCalendar(), onValues }: { event: Schemas['Event']; calendar?: Schemas['Calendar']; onValues: (values: EventValues) => void }) {
        const form = useForm<EventValues>({ defaultValues: valuesOf({ ...event, calendar: calendar.slug }) });
        return (
            <FormProvider {...form}>
                <TermsFields problem={null} />
                <button type="button" onClick={() => onValues(form.getValues())}>
                    Look
                </button>
            </FormProvider>
        );
    }
    const show = (event: Schemas['Event'], calendar?: Schemas['Calendar']) => {
        fakeServer(() => ({ body: [] }));
        const { wrapper, client } = withQueries();
        client.setQueryData(queryKeys.calendars, [calendar ?? madeCalendar()]);
        const seen = vi.fn<(values: EventValues) => void>();
        render(<Form event={event} {...(calendar === undefined ? {} : { calendar })} onValues={seen} />, { wrapper });
        return () => {
            fireEvent.click(screen.getByRole('button', { name: 'Look' }));
            return inputOf(seen.mock.calls.at(-1)?.[0] as EventValues, false);
        };
    };

    test('are not asked for as long as nobody is', () => {
        show(madeEvent());
        expect(screen.queryByLabelText('How many may come')).toBeNull();
    });

    test('are chosen, and taken back', () => {
        const input = show(madeEvent({ participants: [madeParticipant()], guests: ['change'] }));
        fireEvent.change(screen.getByLabelText('How many may come'), { target: { value: '8' } });
        fireEvent.click(screen.getByLabelText('ask others, too'));
        expect(input()).toMatchObject({ places: 8, guests: ['bring', 'change'], askWhen: null });
        expect(screen.getByText('Who comes when all are taken waits for one, and is told.')).not.toBeNull();
        fireEvent.change(screen.getByLabelText('How many may come'), { target: { value: '' } });
        fireEvent.click(screen.getByLabelText('change it'));
        expect(input()).toMatchObject({ places: null, guests: ['bring'] });
        // What is settled asks anyway.
        expect(screen.queryByLabelText('Ask them')).toBeNull();
    });

    test('say when what is provisional asks: as its calendar has it, or otherwise', () => {
        const input = show(madeEvent({ participants: [madeParticipant()], status: 'provisional' }), madeCalendar({ asksProvisional: true }));
        expect([...screen.getByLabelText<HTMLSelectElement>('Ask them').options].map(({ text }) => text)).toEqual(['as its calendar: already now', 'once it is confirmed', 'already now']);
        fireEvent.change(screen.getByLabelText('Ask them'), { target: { value: 'confirmed' } });
        expect(input()).toMatchObject({ askWhen: 'confirmed' });
        fireEvent.change(screen.getByLabelText('Ask them'), { target: { value: '' } });
        expect(input()).toMatchObject({ askWhen: null });
    });

    test('the way there is sent of what has a time alone', () => {
        expect(inputOf(valuesOf(madeEvent({ travel: 20 })), false).travel).toBe(20);
        expect(inputOf({ ...valuesOf(madeEvent({ travel: 20 })), allDay: true }, false).travel).toBeNull();
    });
});

test.each([
    ['', false, false],
    ['', true, true],
    ['confirmed', true, false],
    ['provisional', false, true],
] as const)('what is provisional asks where it says “%s” on a calendar that does: %s', (says, asksProvisional, asks) => {
    expect(asksEarly(says, madeCalendar({ asksProvisional }))).toBe(asks);
});

test('places are told in words: how many are taken, and who waits', () => {
    const waits = madeParticipant({ answer: 'waiting' });
    expect(placeWords(madeEvent({ places: 8, placesTaken: 3 }))).toBe('3 of 8 taken');
    expect(placeWords(madeEvent({ places: 2, placesTaken: 2, participants: [waits] }))).toBe('2 of 2 taken, 1 waits for one');
    expect(placeWords(madeEvent({ places: 2, placesTaken: 3, participants: [waits, waits] }))).toBe('3 of 2 taken, 2 wait for one');
    expect(placeWords(madeEvent({ places: 2, placesTaken: 2, participants: [waits, waits], waitsAt: 2 }))).toBe('2 of 2 taken, you wait as number 2');
    expect([isFull(madeEvent()), isFull(madeEvent({ places: 2, placesTaken: 1 })), isFull(madeEvent({ places: 2, placesTaken: 2 }))]).toEqual([false, false, true]);
    expect([0, 10, 60, 1440].map(leavingWords)).toEqual(['when I have to leave', '10 minutes before I leave', '1 hour before I leave', '1 day before']);
});

describe('an answer where places are taken', () => {
    const show = (event: Schemas['Event'], answer: NonNullable<Schemas['Event']['answer']>) => render(<Answer event={event} answer={answer} />, { wrapper: withQueries().wrapper });

    test('says beforehand that one would wait', () => {
        show(madeEvent({ places: 1, placesTaken: 1 }), 'unanswered');
        expect(screen.getByText('All places are taken: who comes waits for one.')).not.toBeNull();
        expect(screen.getByRole('button', { name: 'I come' }).getAttribute('aria-pressed')).toBe('false');
    });

    test('who waits has said that they come, and reads where they stand', () => {
        show(madeEvent({ places: 1, placesTaken: 1, waitsAt: 2 }), 'waiting');
        expect(screen.getByRole('button', { name: 'I come' }).getAttribute('aria-pressed')).toBe('true');
        expect(screen.getByText(/you wait as number 2/)).not.toBeNull();
    });

    test('who has a place is told nothing of it', () => {
        show(madeEvent({ places: 1, placesTaken: 1 }), 'accepted');
        expect(screen.queryByText(/All places are taken/)).toBeNull();
    });
});

describe('bringing somebody', () => {
    const found = [{ kind: 'person', id: 4, name: 'Ben Oar', about: 'Rigger' }];

    test('asks a person of the directory, or an address, at once', async () => {
        const sent = fakeServer(({ path }) => (path === '/directory' ? { body: found } : { status: 201, body: { asked: 1 } }));
        render(<BringOthers event={madeEvent({ occurrence: '2026-11-10T09:00:00Z' })} />, { wrapper: withQueries().wrapper });
        fireEvent.change(screen.getByLabelText('Ask somebody else, too'), { target: { value: 'Ben' } });
        fireEvent.click(await screen.findByRole('option', { name: /Ben Oar/ }));
        await waitFor(() => expect(sent.filter(({ method }) => method === 'POST').map(({ path, body }) => [path, body])).toEqual([['/events/7/guests', { guests: [{ kind: 'person', id: 4, name: 'Ben Oar' }], occurrence: '2026-11-10T09:00:00Z' }]]));
        fireEvent.change(await screen.findByLabelText('Ask somebody else, too'), { target: { value: 'gus@elsewhere.example' } });
        fireEvent.click(await screen.findByRole('option', { name: /gus@elsewhere/ }));
        await waitFor(() => expect(sent.filter(({ method }) => method === 'POST')).toHaveLength(2));
    });

    test('what is refused is said where it was asked', async () => {
        fakeServer(({ path }) => (path === '/directory' ? { body: found } : { status: 422, body: { type: 'about:blank', title: 'Something is not right yet.', status: 422, detail: '', errors: [{ field: 'guests', message: 'They are asked already.' }] } }));
        render(<BringOthers event={madeEvent()} />, { wrapper: withQueries().wrapper });
        fireEvent.change(screen.getByLabelText('Ask somebody else, too'), { target: { value: 'Ben' } });
        fireEvent.click(await screen.findByRole('option', { name: /Ben Oar/ }));
        expect((await screen.findByRole('alert')).textContent).toBe('They are asked already.');
    });
});

describe('remarks', () => {
    const remark: Schemas['Remark'] = { id: 3, occurrence: '2026-11-10T09:00:00Z', on: '2026-11-10', by: 'Ben Oar', at: '2026-11-02T10:00:00Z', text: 'Bring gloves', mayDelete: true };
    const show = (remarks: Schemas['Remarks'], { event = madeEvent({ remarks: true }), mayWrite = true, refused = false } = {}) => {
        const sent = fakeServer(({ method }) =>
            method === 'GET' ? { body: remarks } : refused ? { status: 422, body: { type: 'about:blank', title: 'Something is not right yet.', status: 422, detail: '', errors: [{ field: 'text', message: 'Write something first.' }] } } : { status: method === 'POST' ? 201 : 204, body: method === 'POST' ? remarks : undefined },
        );
        render(<Remarks event={event} mayWrite={mayWrite} />, { wrapper: withQueries().wrapper });
        return () => sent.filter(({ method }) => method !== 'GET').map(({ method, path, body }) => [method, path, body]);
    };

    test('are read, written, on one time where one says so, and taken away', async () => {
        const done = show({ remarks: [remark], muted: false }, { event: madeEvent({ occurrence: '2026-11-10T09:00:00Z', remarks: true }) });
        expect((await screen.findByRole('listitem')).textContent).toContain('Ben Oar, 2 Nov, 10:00, on Tue 10 NovBring gloves');
        fireEvent.change(screen.getByLabelText('Remark on it'), { target: { value: 'And boots' } });
        fireEvent.click(screen.getByLabelText('About this time only'));
        fireEvent.click(screen.getByRole('button', { name: 'Remark' }));
        await waitFor(() => expect(done()).toEqual([['POST', '/events/7/remarks', { text: 'And boots', occurrence: '2026-11-10T09:00:00Z' }]]));
        await waitFor(() => expect(screen.getByLabelText<HTMLTextAreaElement>('Remark on it').value).toBe(''));
        fireEvent.click(screen.getByRole('button', { name: 'Take away: Bring gloves' }));
        await waitFor(() => expect(done()[1]?.slice(0, 2)).toEqual(['DELETE', '/events/7/remarks/3']));
    });

    test('who wants to hear of none says so, and takes it back', async () => {
        const done = show({ remarks: [], muted: false });
        fireEvent.click(await screen.findByRole('button', { name: 'Tell me of none' }));
        await waitFor(() => expect(done()).toEqual([['PUT', '/events/7/remarks/muted', { muted: true }]]));
        cleanup();
        const back = show({ remarks: [], muted: true });
        fireEvent.click(await screen.findByRole('button', { name: 'You are told of none: tell me' }));
        await waitFor(() => expect(back()).toEqual([['PUT', '/events/7/remarks/muted', { muted: false }]]));
    });

    test('what was refused stays to be put right', async () => {
        show({ remarks: [], muted: false }, { refused: true });
        fireEvent.change(await screen.findByLabelText('Remark on it'), { target: { value: '  ' } });
        fireEvent.click(screen.getByRole('button', { name: 'Remark' }));
        expect((await screen.findByRole('alert')).textContent).toBe('Write something first.');
        expect(screen.getByLabelText<HTMLTextAreaElement>('Remark on it').value).toBe('  ');
    });

    test('who only looks writes and takes away nothing', async () => {
        show({ remarks: [remark], muted: false }, { mayWrite: false });
        await screen.findByRole('listitem');
        expect(screen.queryByRole('button')).toBeNull();
        expect(screen.queryByLabelText('Remark on it')).toBeNull();
    });
});
