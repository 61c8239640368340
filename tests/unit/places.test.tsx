import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactElement } from 'react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { DeletedEvents } from '@/features/history/DeletedEvents';
import { EventHistory } from '@/features/history/EventHistory';
import { lastDone } from '@/features/history/operations';
import { Answer } from '@/features/participants/Answer';
import { CalendarPins } from '@/features/pins/CalendarPins';
import { EventPlaces } from '@/features/pins/EventPlaces';
import { PlaceActions } from '@/features/pins/PlaceActions';
import { RotaContext, type Rota } from '@/features/sheet/RotaContext';
import { madeCalendar, madeEvent } from './made';
import { fakeServer, withQueries, type Asked } from './server';

const said = vi.hoisted(() => ({ words: [] as string[] }));
vi.mock('@/toast/toast', () => ({ toast: Object.assign((words: string) => said.words.push(words), { error: (words: string) => said.words.push(words) }) }));
vi.mock('@tanstack/react-router', () => ({ Link: ({ children, search }: { children: string; search: object }) => <a href={`/?${JSON.stringify(search)}`}>{children}</a> }));

beforeEach(() => {
    said.words = [];
});
afterEach(cleanup);

const went: object[] = [];
const calendars = [madeCalendar(), madeCalendar({ slug: 'loft', name: 'Long loft' }), madeCalendar({ slug: 'board', name: 'Board' }), madeCalendar({ slug: 'read', name: 'Only read', mayAdd: false })];

function showPlaces(event: Schemas['Event'], search: object = {}) {
    const { client, wrapper } = withQueries();
    client.setQueryData(queryKeys.calendars, calendars);
    went.length = 0;
    const rota = { search, go: (change: object) => void went.push(change) } as unknown as Rota;
    return render(
        <RotaContext value={rota}>
            <PlaceActions event={event} />
            <EventPlaces event={event} />
        </RotaContext>,
        { wrapper },
    );
}

function show(what: ReactElement) {
    return render(what, { wrapper: withQueries().wrapper });
}

const changes = (asked: Asked[]) => asked.filter(({ method }) => method !== 'GET').map(({ method, path, body }) => [method, path, body]);
const options = (name: string) => within(screen.getByLabelText(name)).getAllByRole('option').map((each) => each.textContent);
const choose = (name: string, value: string) => fireEvent.change(screen.getByLabelText(name), { target: { value } });

describe('where else an event is', () => {
    test('it is pinned where one may add and it is not yet', async () => {
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [] } : { status: 204, headers: { Operation: '51' } }));
        showPlaces(madeEvent({ pins: [{ id: 1, calendar: 'board', name: 'Board', by: 'Cy', mayUnpin: false, joined: false }] }));
        expect(options('Pin to a further calendar')).toEqual(['choose a calendar', 'Long loft']);
        choose('Pin to a further calendar', 'loft');
        await waitFor(() => expect(said.words).toEqual(['Pinned to Long loft: it is one event, and shows on both.']));
        expect(changes(asked)).toEqual([['POST', '/events/7/pins', { calendar: 'loft' }]]);
        expect(lastDone()).toBe(51);
        // Nobody takes off what they may not.
        expect(screen.queryByRole('button', { name: 'Take it off Board' })).toBeNull();
    });

    test('a pin is taken off by whoever may', async () => {
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [] } : { status: 204 }));
        showPlaces(madeEvent({ pins: [{ id: 12, calendar: 'board', name: 'Board', by: 'Cy', mayUnpin: true, joined: false }] }));
        fireEvent.click(screen.getByRole('button', { name: 'Take it off Board' }));
        await waitFor(() => expect(said.words).toEqual(['No longer on Board.']));
        expect(changes(asked)).toEqual([['DELETE', '/events/7/pins/12', null]]);
    });

    test('a copy is opened as soon as it is there', async () => {
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [] } : { status: 201, body: madeEvent({ id: 80, calendar: 'loft' }) }));
        showPlaces(madeEvent());
        expect(screen.queryByLabelText('Copy the whole series to a calendar')).toBeNull();
        choose('Copy to a calendar', 'loft');
        await waitFor(() => expect(went).toEqual([{ event: 80, occurrence: undefined }]));
        expect(said.words).toEqual(['Copied to Long loft. The copy is its own event from now on.']);
        expect(changes(asked)).toEqual([['POST', '/events/7/copies', { calendar: 'loft' }]]);
    });

    test('of a series one time is copied, or all of them', async () => {
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [] } : { status: 201, body: madeEvent({ id: 81 }) }));
        showPlaces(madeEvent({ occurrence: '2026-11-17T09:00:00Z' }));
        choose('Copy to a calendar', 'loft');
        await waitFor(() => expect(went).toHaveLength(1));
        choose('Copy the whole series to a calendar', 'slip');
        await waitFor(() => expect(went).toHaveLength(2));
        expect(asked.filter(({ method }) => method === 'POST').map(({ query, body }) => [query.get('occurrence'), body])).toEqual([
            ['2026-11-17T09:00:00Z', { calendar: 'loft' }],
            [null, { calendar: 'slip' }],
        ]);
    });

    test('whoever can join sees how many have, and joins', async () => {
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [] } : { body: { slug: 'mine', name: 'Ada’s own', colour: 'sea', mark: 'disc' } }));
        const { unmount } = showPlaces(madeEvent({ joinable: true, mayChange: false }));
        expect(screen.getByText('Nobody has joined yet.')).toBeDefined();
        fireEvent.click(screen.getByRole('button', { name: 'Join' }));
        await waitFor(() => expect(said.words).toEqual(['You have joined. It is on Ada’s own, too.']));
        expect(changes(asked)).toEqual([['POST', '/events/7/join', null]]);
        unmount();
        showPlaces(madeEvent({ joinable: true, joined: true, joiners: 2, mayChange: false }));
        expect(screen.getByText('2 have joined, you among them.')).toBeDefined();
        fireEvent.click(screen.getByRole('button', { name: 'No longer take part' }));
        await waitFor(() => expect(changes(asked).at(-1)).toEqual(['DELETE', '/events/7/join', null]));
    });

    test('who may change the event sees who has joined and takes them off', async () => {
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [] } : { status: 204 }));
        const joiner = { id: 9, calendar: null, name: 'own', by: 'Cy Brook', mayUnpin: true, joined: true };
        showPlaces(madeEvent({ joinable: true, joiners: 1, pins: [joiner, { ...joiner, id: 10, by: null }] }));
        expect(screen.getByText('1 has joined.')).toBeDefined();
        expect(screen.getByText('Somebody who has left')).toBeDefined();
        // They are no further calendars of it.
        expect(screen.queryByRole('list', { name: 'Pinned to' })).toBeNull();
        fireEvent.click(screen.getByRole('button', { name: 'Take Cy Brook off' }));
        await waitFor(() => expect(said.words).toEqual(['Cy Brook no longer takes part.']));
        expect(changes(asked)).toEqual([['DELETE', '/events/7/pins/9', null]]);
    });

    test('a copy says of what it is one', () => {
        fakeServer(() => ({ body: [] }));
        showPlaces(madeEvent({ copyOf: { id: 3, title: 'The first one' } }));
        fireEvent.click(screen.getByRole('button', { name: 'The first one' }));
        expect(went).toEqual([{ event: 3, occurrence: undefined }]);
    });

    test('nothing of it is offered of a time that is hidden, or with somebody else’s eyes', () => {
        fakeServer(() => ({ body: [] }));
        const hidden = showPlaces(madeEvent({ busyOnly: true }));
        expect(hidden.container.textContent).toBe('');
        cleanup();
        expect(showPlaces(madeEvent({ joinable: true }), { as: 4 }).container.textContent).toBe('');
    });
});

describe('what is pinned to a calendar', () => {
    const pins: Schemas['CalendarPin'][] = [
        { id: 1, event: 7, title: 'Haul out', start: '2026-11-10T09:00', by: 'Cy Brook', shared: true },
        { id: 2, event: 8, title: null, start: null, by: null, shared: true },
        { id: 3, event: 9, title: null, start: null, by: 'Ben Oar', shared: false },
    ];

    test('is told as far as it is seen, and can be let go of whatever it is', async () => {
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: pins } : { status: 204, headers: { Operation: '52' } }));
        show(<CalendarPins slug="slip" name="Slipway" />);
        const rows = (await screen.findAllByRole('listitem')).map((each) => each.textContent);
        expect(rows[0]).toContain('Haul out');
        expect(rows[0]).toContain('pinned by Cy Brook');
        expect(rows[1]).toContain('Busy: what it is is hidden');
        expect(rows[1]).toContain('pinned by somebody who has left');
        expect(rows[2]).toContain('No longer shared');
        expect(screen.getAllByRole('link')).toHaveLength(1);
        fireEvent.click(screen.getAllByRole('button', { name: 'Take off what is no longer shared' })[1] as HTMLElement);
        await waitFor(() => expect(said.words).toEqual(['No longer on Slipway.']));
        expect(changes(asked)).toEqual([['DELETE', '/events/9/pins/3', null]]);
    });

    test('nothing, or a failure, says so', async () => {
        let fails = true;
        fakeServer(() => (fails ? { status: 403, body: { title: 'You may not do that.', status: 403, detail: '' } } : { body: [] }));
        show(<CalendarPins slug="slip" name="Slipway" />);
        fireEvent.click(await screen.findByRole('button', { name: 'Try again' }).then((button) => ((fails = false), button)));
        expect(await screen.findByText('No event is pinned here by itself.')).toBeDefined();
    });
});

describe('the history of an event', () => {
    const entry = (more: Partial<Schemas['HistoryEntry']>): Schemas['HistoryEntry'] => ({ operation: 1, kind: 'change', cause: 'screen', by: 'Ada Quill', at: '2026-11-10T09:00:00Z', undone: false, changes: [], restorable: true, ...more });

    test('says who did what, in words, and puts an earlier state back', async () => {
        const asked = fakeServer(({ method }) =>
            method === 'POST'
                ? { status: 204, headers: { Operation: '60' } }
                : {
                      body: [
                          entry({ operation: 5, changes: [{ of: null, field: 'place', before: 'Slip 1', after: 'Slip 2' }, { of: 'Tue 17 Nov', field: 'link', before: 'x', after: '' }] }),
                          entry({ operation: 4, kind: 'refresh', by: '', undone: true, restorable: false }),
                          entry({ operation: 3, kind: 'change', by: '', restorable: false }),
                          entry({ operation: 2, kind: 'add', restorable: false, changes: [{ of: null, field: 'title', before: '', after: 'Haul out' }, { of: null, field: 'colour', before: '', after: 'sea' }] }),
                      ],
                  },
        );
        show(<EventHistory id={7} version={3} />);
        const list = await screen.findByRole('list', { name: 'History' });
        const rows = [...list.children].map((each) => each.textContent);
        expect(rows[0]).toContain('Ada Quill  changed it');
        expect(rows[0]).toContain('place: Slip 1 Slip 2');
        expect(rows[0]).toContain('Tue 17 Nov, link: x nothing');
        expect(rows[1]).toContain('It came from outside');
        expect(rows[1]).toContain('undone since');
        expect(rows[2]).toContain('A command of the site changed it');
        // Of what was added, what it is and when; not each of its fields.
        expect(rows[3]).toContain('title');
        expect(rows[3]).not.toContain('colour');
        expect(screen.getAllByRole('button')).toHaveLength(1);
        fireEvent.click(screen.getByRole('button', { name: 'Back to before this' }));
        await waitFor(() => expect(said.words).toEqual(['It is as it was before that.']));
        expect(changes(asked)).toEqual([['POST', '/events/7/history/5/restore', null]]);
        expect(lastDone()).toBe(60);
    });

    test('that there is none is said', async () => {
        fakeServer(() => ({ body: [] }));
        show(<EventHistory id={7} version={3} />);
        expect(await screen.findByText('Nothing was changed since history is kept.')).toBeDefined();
    });
});

describe('deleted events', () => {
    test('are brought back, one by one', async () => {
        const event: Schemas['DeletedEvent'] = { id: 7, title: 'Haul out', start: '2026-11-10T09:00', repeats: true, at: '2026-11-12T10:00:00Z', by: 'Ben Oar' };
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [event, { ...event, id: 8, title: 'Launch', repeats: false, at: null, by: null }] } : { body: madeEvent(), headers: { Operation: '70' } }));
        show(<DeletedEvents slug="slip" />);
        const rows = await screen.findAllByRole('listitem');
        expect(rows[0]?.textContent).toContain(', and on');
        expect(rows[0]?.textContent).toContain('by Ben Oar');
        expect(rows[1]?.textContent).not.toContain('and on');
        fireEvent.click(screen.getByRole('button', { name: 'Bring Launch back' }));
        await waitFor(() => expect(said.words).toEqual(['“Launch” is back.']));
        expect(changes(asked)).toEqual([['POST', '/events/8/restore', null]]);
    });

    test('one whose like lives again is refused with the reason, and stays in the list', async () => {
        const event: Schemas['DeletedEvent'] = { id: 7, title: 'Haul out', start: '2026-11-10T09:00', repeats: false, at: null, by: null };
        fakeServer(({ method }) => (method === 'GET' ? { body: [event] } : { status: 409, body: { title: 'It is there already.', status: 409, detail: 'One of the same UID.' } }));
        show(<DeletedEvents slug="slip" />);
        fireEvent.click(await screen.findByRole('button', { name: 'Bring Haul out back' }));
        await waitFor(() => expect(said.words).toEqual(['It is there already.']));
        expect(screen.getByText('Haul out')).toBeDefined();
    });
});

test('who is asked answers, and can think again', async () => {
    const asked = fakeServer(() => ({ status: 204 }));
    const { rerender } = show(<Answer event={madeEvent()} answer="unanswered" />);
    expect(screen.getByText('You are asked, and have not answered yet.')).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'perhaps' }));
    await waitFor(() => expect(changes(asked)).toEqual([['PUT', '/events/7/answer', { answer: 'tentative' }]]));
    rerender(<Answer event={madeEvent()} answer="tentative" />);
    expect(screen.getByRole('button', { name: 'perhaps' }).getAttribute('aria-pressed')).toBe('true');
    expect(screen.queryByText(/not answered yet/)).toBeNull();
    await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'I do not' }).disabled).toBe(false));
    fireEvent.click(screen.getByRole('button', { name: 'I do not' }));
    await waitFor(() => expect(changes(asked).at(-1)).toEqual(['PUT', '/events/7/answer', { answer: 'declined' }]));
});

test('of a series one answers for all of it, or for the time that is open', async () => {
    const asked = fakeServer(() => ({ status: 204 }));
    show(<Answer event={madeEvent({ occurrence: '2026-11-10T09:00:00Z' })} answer="accepted" />);
    fireEvent.click(screen.getByRole('button', { name: 'perhaps' }));
    await waitFor(() => expect(changes(asked)).toEqual([['PUT', '/events/7/answer', { answer: 'tentative' }]]));
    await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'I do not' }).disabled).toBe(false));
    fireEvent.click(screen.getByLabelText('For this time only'));
    fireEvent.click(screen.getByRole('button', { name: 'I do not' }));
    await waitFor(() => expect(changes(asked).at(-1)).toEqual(['PUT', '/events/7/answer', { answer: 'declined', occurrence: '2026-11-10T09:00:00Z' }]));
});
