import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactElement } from 'react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { GroupDialog } from '@/features/directory/GroupDialog';
import { HoursFields, type Span } from '@/features/directory/HoursFields';
import { RoomsPanel } from '@/features/directory/RoomsPanel';
import { SubjectPicker, type Entry } from '@/features/directory/SubjectPicker';
import { FeedRow } from '@/features/feeds/FeedRow';
import { DepartureDialog } from '@/features/people/DepartureDialog';
import { PersonDialog } from '@/features/people/PersonDialog';
import { PersonRow } from '@/features/people/PersonRow';
import { PasteAddresses } from '@/features/sharing/PasteAddresses';
import { ReasonsPanel } from '@/features/sharing/ReasonsPanel';
import { madeCalendar, madeDirectoryPerson, madePerson, refused } from './made';
import { fakeServer, withQueries, type Asked } from './server';

const said = vi.hoisted(() => ({ words: [] as string[] }));
vi.mock('@/toast/toast', () => ({ toast: Object.assign((words: string) => said.words.push(words), { error: (words: string) => said.words.push(words) }) }));
vi.mock('@tanstack/react-router', () => ({ Link: ({ children, search, ...rest }: { children: string; search: object; 'aria-label'?: string }) => <a href={`/?${JSON.stringify(search)}`} aria-label={rest['aria-label']}>{children}</a> }));

beforeEach(() => {
    said.words = [];
});
afterEach(cleanup);

function show(what: ReactElement) {
    const { client, wrapper } = withQueries();
    client.setQueryData(queryKeys.session, { person: madePerson(), demo: null });
    return render(what, { wrapper });
}

const changes = (asked: Asked[]) => asked.filter(({ method }) => method !== 'GET').map(({ method, path, body }) => [method, path, body]);
const type = (label: string, value: string) => {
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
    fireEvent.blur(screen.getByLabelText(label));
};
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

describe('somebody is added', () => {
    test('with their groups, and invited unless that is not wanted', async () => {
        const asked = fakeServer(({ method, path }) => (method === 'POST' ? { status: 201, body: madeDirectoryPerson({ name: 'Cy Brook' }) } : { body: path === '/groups' ? [{ id: 3, name: 'Riggers', people: [], groups: [] }, { id: 4, name: 'Staff', people: [], groups: [] }] : [] }));
        const onClose = vi.fn();
        show(<PersonDialog person={null} onClose={onClose} />);
        type('Name', 'Cy Brook');
        type('Mail address', 'cy@example.org');
        fireEvent.click(await screen.findByLabelText('Staff'));
        fireEvent.click(screen.getByLabelText('Monday'));
        type('Monday to', '15:30');
        fireEvent.click(screen.getByLabelText('Invite them by mail to set a password'));
        press('Add them');
        await waitFor(() => expect(onClose).toHaveBeenCalledTimes(1));
        expect(said.words).toEqual(['Cy Brook is added.']);
        expect(changes(asked)).toEqual([
            ['POST', '/people', { name: 'Cy Brook', email: 'cy@example.org', post: '', timezone: 'Europe/London', role: 'member', workingHours: [{ day: 'MO', from: '09:00', to: '15:30' }], groups: [4], invite: false }],
        ]);
    });

    test('what is wrong is said at its field, or of the whole, and what was typed stays', async () => {
        let answer = refused(422, 'Some of this cannot be saved.', ['email', 'Somebody here has this address already.'], ['workingHours', 'A day ends after it begins.']);
        fakeServer(({ method }) => (method === 'GET' ? { body: [] } : answer));
        const onClose = vi.fn();
        show(<PersonDialog person={madeDirectoryPerson()} onClose={onClose} />);
        type('Post', 'Sailmaker');
        press('Save');
        expect(await screen.findByText('Somebody here has this address already.')).toBeDefined();
        expect(screen.getByText('A day ends after it begins.')).toBeDefined();
        answer = refused(409, 'Somebody must look after the site.');
        await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(false));
        press('Save');
        expect(await screen.findByText(/Somebody must look after the site\./)).toBeDefined();
        expect(screen.getByLabelText<HTMLInputElement>('Post').value).toBe('Sailmaker');
        expect(onClose).not.toHaveBeenCalled();
    });
});

describe('somebody leaves', () => {
    const kept: Schemas['Kept'] = { calendars: [{ slug: 'slip', name: 'Slipway' }], overlays: [{ slug: 'term', name: 'The term' }], feeds: [{ name: 'Wall', ofName: 'Slipway' }], pages: ['Slip days'], sources: ['Holidays, on Slipway'] } as unknown as Schemas['Kept'];
    const server = (told: unknown) => fakeServer(({ method, path }) => (method === 'POST' ? { status: 204 } : { body: path.endsWith('/kept') ? told : [{ kind: 'person', id: 8, name: 'Cy Brook', about: '' }, { kind: 'group', id: 3, name: 'Riggers', about: '' }] }));
    const pick = async (label: string, name: string) => {
        fireEvent.focus(screen.getByLabelText(label));
        fireEvent.click(await screen.findByRole('option', { name: new RegExp(name) }));
    };

    test('once all that they keep goes to somebody', async () => {
        const asked = server(kept);
        const onClose = vi.fn();
        show(<DepartureDialog person={madeDirectoryPerson()} onClose={onClose} />);
        const leave = await screen.findByRole<HTMLButtonElement>('button', { name: 'Hand over, they have left' });
        expect(leave.disabled).toBe(true);
        await pick('New keeper of The term', 'Riggers');
        expect(leave.disabled).toBe(true);
        await pick('New keeper of all', 'Cy Brook');
        expect(leave.disabled).toBe(false);
        expect(screen.getByText(/Wall, Slipway; Slip days/)).toBeDefined();
        // What is published goes on under the name of a person alone.
        await pick('It goes on under the name of', 'Riggers');
        expect(leave.disabled).toBe(true);
        expect(screen.getByText('It goes on in the name of a person, not of a group.')).toBeDefined();
        fireEvent.change(screen.getByLabelText('It goes on under the name of'), { target: { value: 'Cy' } });
        fireEvent.click(await screen.findByRole('option', { name: /Cy Brook/ }));
        fireEvent.click(leave);
        await waitFor(() => expect(onClose).toHaveBeenCalled());
        expect(changes(asked)).toEqual([
            ['POST', '/people/4/departure', { handovers: [{ what: 'calendar', slug: 'slip', kind: 'person', id: 8 }, { what: 'overlay', slug: 'term', kind: 'group', id: 3 }], feeds: 8 }],
        ]);
        expect(said.words).toEqual(['Ben Oar has left; what they kept is handed over.']);
    });

    test('who keeps nothing leaves at once', async () => {
        const asked = server({ calendars: [], overlays: [], feeds: [], pages: [], sources: [] });
        show(<DepartureDialog person={madeDirectoryPerson()} onClose={() => undefined} />);
        fireEvent.click(await screen.findByRole('button', { name: 'They have left' }));
        await waitFor(() => expect(said.words).toEqual(['Ben Oar has left.']));
        expect(changes(asked)).toEqual([['POST', '/people/4/departure', { handovers: [], feeds: null }]]);
    });
});

describe('the row of a person', () => {
    const buttons = () => screen.getAllByRole('button').map((each) => each.textContent);

    test('offers what can be done with them as they are', () => {
        fakeServer(() => ({ body: [] }));
        const { rerender } = show(<PersonRow person={madeDirectoryPerson({ hasComeIn: false, role: 'administrator' })} />);
        expect(buttons()).toEqual(['Invite', 'Change', 'Suspend', 'Sign out', 'Has left…']);
        expect(screen.getByText('administrator')).toBeDefined();
        expect(screen.getByText('not invited yet')).toBeDefined();
        rerender(<PersonRow person={madeDirectoryPerson({ hasSecondFactor: true })} />);
        expect(buttons()).toEqual(['Change', 'Suspend', 'Sign out', 'Lost the second factor', 'Has left…']);
        rerender(<PersonRow person={madeDirectoryPerson({ status: 'suspended' })} />);
        expect(buttons()).toEqual(['Change', 'Let in again', 'Has left…']);
        rerender(<PersonRow person={madeDirectoryPerson({ status: 'left' })} />);
        expect(buttons()).toEqual(['Change', 'Is back']);
    });

    test('a lost second factor is ended, and it is said what follows', async () => {
        const asked = fakeServer(() => ({ status: 204 }));
        show(<PersonRow person={madeDirectoryPerson({ hasSecondFactor: true })} />);
        press('Ben Oar has lost the second factor');
        await waitFor(() => expect(said.words).toEqual(['Ben Oar signs in by the password alone until they set up another.']));
        expect(changes(asked)).toEqual([['DELETE', '/people/4/second-factor', null]]);
    });

    test('whoever is suspended and keeps something is told of', async () => {
        fakeServer(({ method }) => (method === 'GET' ? { body: { calendars: [{ name: 'Slipway' }, { name: 'Loft' }], overlays: [{ name: 'Term' }, { name: 'Week' }], feeds: [] } } : { status: 204 }));
        show(<PersonRow person={madeDirectoryPerson()} />);
        press('Suspend Ben Oar');
        await waitFor(() => expect(said.words).toEqual(['Ben Oar is kept out from now on.']));
    });
});

describe('a picker of people and groups', () => {
    function Picking({ told }: { told: (entry: Entry | null) => void }) {
        const [entry, setEntry] = useState<Entry | null>(null);
        return (
            <SubjectPicker
                entry={entry}
                onChange={(chosen) => {
                    setEntry(chosen);
                    told(chosen);
                }}
            />
        );
    }

    test('is used by the keyboard alone', async () => {
        const asked = fakeServer(() => ({ body: [{ kind: 'person', id: 8, name: 'Cy Brook', about: 'Sailmaker' }, { kind: 'group', id: 3, name: 'Riggers', about: '4 people' }] }));
        const told = vi.fn();
        show(<Picking told={told} />);
        const field = screen.getByRole<HTMLInputElement>('combobox');
        fireEvent.change(field, { target: { value: 'r' } });
        await waitFor(() => expect(screen.getAllByRole('option')).toHaveLength(2));
        expect(asked.at(-1)?.query.get('q')).toBe('r');
        fireEvent.keyDown(field, { key: 'ArrowDown' });
        fireEvent.keyDown(field, { key: 'ArrowDown' });
        expect(screen.getAllByRole('option').map((each) => each.getAttribute('aria-selected'))).toEqual(['false', 'true']);
        fireEvent.keyDown(field, { key: 'Enter' });
        expect(told).toHaveBeenLastCalledWith({ kind: 'group', id: 3, name: 'Riggers', about: '4 people' });
        expect(field.value).toBe('Riggers');
        expect(screen.queryAllByRole('option')).toEqual([]);
        // Typed over, nobody is chosen any more.
        fireEvent.change(field, { target: { value: 'c' } });
        expect(told).toHaveBeenLastCalledWith(null);
        await waitFor(() => expect(screen.getAllByRole('option')).toHaveLength(2));
        fireEvent.keyDown(field, { key: 'Escape' });
        expect(screen.queryAllByRole('option')).toEqual([]);
    });
});

test('a group is made or renamed, and a name that is taken is said at its field', async () => {
    let taken = true;
    const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [] } : taken ? refused(422, 'Some of this cannot be saved.', ['name', 'There is a group of this name.']) : { body: { id: 3, name: 'Yard', people: [], groups: [] } }));
    const onClose = vi.fn();
    show(<GroupDialog group={{ id: 3, name: 'Riggers', people: [], groups: [] }} onClose={onClose} />);
    type('Name', 'Yard');
    press('Save');
    expect(await screen.findByText('There is a group of this name.')).toBeDefined();
    taken = false;
    await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(false));
    press('Save');
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(changes(asked).at(-1)).toEqual(['PATCH', '/groups/3', { name: 'Yard' }]);
});

test('working hours are a span a day, and what a day has besides stays', () => {
    const seen: Span[][] = [];
    const hours: Span[] = [{ day: 'MO', from: '08:00', to: '12:00' }, { day: 'MO', from: '13:00', to: '17:00' }];
    const { rerender } = show(<HoursFields hours={hours} onChange={(next) => seen.push(next)} error={undefined} />);
    type('Monday to', '11:30');
    expect(seen.at(-1)).toEqual([{ day: 'MO', from: '08:00', to: '11:30' }, { day: 'MO', from: '13:00', to: '17:00' }]);
    fireEvent.click(screen.getByLabelText('Friday'));
    expect(seen.at(-1)?.at(-1)).toEqual({ day: 'FR', from: '09:00', to: '17:00' });
    fireEvent.click(screen.getByLabelText('Monday'));
    expect(seen.at(-1)).toEqual([]);
    rerender(<HoursFields hours={[]} onChange={() => undefined} error="A day ends after it begins." />);
    expect(screen.getByRole('alert').textContent).toBe('A day ends after it begins.');
});

describe('rooms', () => {
    const rooms = [{ id: 1, name: 'Long loft' }, { id: 2, name: 'Steam box' }];

    test('are seen by everyone and kept by administrators', async () => {
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: rooms } : method === 'POST' ? { status: 201, body: { id: 3, name: 'Chart room' } } : { status: 204 }));
        const { unmount } = show(<RoomsPanel mayChange={false} />);
        expect((await screen.findAllByRole('listitem')).map((each) => each.textContent)).toEqual(['Long loft', 'Steam box']);
        expect(screen.queryByRole('button')).toBeNull();
        unmount();
        show(<RoomsPanel mayChange />);
        fireEvent.change(await screen.findByLabelText('Another room'), { target: { value: 'Chart room' } });
        press('Add it');
        await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('Another room').value).toBe(''));
        press('Take Steam box off the list');
        await waitFor(() => expect(said.words).toEqual(['Steam box is off the list; events that name it keep its name.']));
        expect(changes(asked)).toEqual([['POST', '/rooms', { name: 'Chart room' }], ['DELETE', '/rooms/2', null]]);
    });

    test('where there are none, only who could add one is told', async () => {
        fakeServer(() => ({ body: [] }));
        const { container, unmount } = show(<RoomsPanel mayChange={false} />);
        await waitFor(() => expect(container.textContent).toBe(''));
        unmount();
        show(<RoomsPanel mayChange />);
        expect(await screen.findByLabelText('Another room')).toBeDefined();
    });
});

test('pasted addresses that are nobody’s stay in the field', async () => {
    const asked = fakeServer(() => ({ body: { given: ['Cy Brook'], already: ['Ben Oar'], unknown: ['nobdy@example.org', 'x@example.org'], unread: ['cy at example'], sharing: { keeper: {}, grants: [] } } }));
    show(<PasteAddresses calendar={madeCalendar()} level="see" letter={false} />);
    const share = screen.getByRole<HTMLButtonElement>('button', { name: /^Share with all of them/ });
    expect(share.disabled).toBe(true);
    type('Addresses, in any order and form', 'cy@example.org; nobdy@example.org, x@example.org');
    fireEvent.click(share);
    expect(await screen.findByText('Shared with Cy Brook.')).toBeDefined();
    expect(screen.getByText('They had it already: Ben Oar.')).toBeDefined();
    expect(screen.getByText('2 are nobody’s here')).toBeDefined();
    expect(screen.getByLabelText<HTMLTextAreaElement>('Addresses, in any order and form').value).toBe('cy at example\nnobdy@example.org\nx@example.org');
    expect(screen.getByText('No address:').parentElement?.textContent).toContain('cy at example');
    // An administrator is sent to where they add them.
    expect(screen.getByRole('link', { name: 'People' })).toBeDefined();
    expect(changes(asked)).toEqual([['POST', '/calendars/slip/grants/addresses', { text: 'cy@example.org; nobdy@example.org, x@example.org', level: 'see', letter: false }]]);
});

test('what somebody sees is told with why, and looked at with their eyes where they see anything', async () => {
    fakeServer(() => ({
        body: {
            total: 9,
            people: [
                { id: 4, name: 'Ben Oar', post: 'Rigger', level: 'see', reasons: [{ words: 'in Riggers', level: 'see' }, { words: 'everyone', level: 'busy' }] },
                { id: 5, name: 'Cy Brook', post: '', level: 'none', reasons: [] },
            ],
        },
    }));
    show(<ReasonsPanel calendar={madeCalendar()} />);
    const rows = await screen.findAllByRole('listitem');
    expect(rows[0]?.textContent).toContain('in Riggers; everyone');
    expect(rows[1]?.textContent).toContain('Nothing: it is not shared with them');
    expect(screen.getAllByRole('link').map((each) => each.getAttribute('aria-label'))).toEqual(['see it as they do: Ben Oar']);
    expect(within(rows[0] as HTMLElement).getByRole('link').getAttribute('href')).toBe('/?{"calendar":"slip","as":4}');
    expect(screen.getByText('and 7 more: type part of a name.')).toBeDefined();
});

test('a feed link is revoked after it was asked once more', async () => {
    const feed: Schemas['Feed'] = { id: 6, name: 'Wall', of: 'calendar', slug: 'slip', ofName: 'Slipway', personal: false, mine: false, detail: 'busy', weeksBack: null, reminderMinutes: null, conditions: [], url: null, madeBy: 'Ada Quill', madeAt: '2026-11-01T09:00:00Z', lastFetchedAt: null, fetchedBy: null };
    const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [] } : { status: 204 }));
    show(<FeedRow feed={feed} />);
    expect(screen.getByText('not fetched yet')).toBeDefined();
    press('Revoke the link for Wall');
    press('Cancel');
    expect(changes(asked)).toEqual([]);
    press('Revoke the link for Wall');
    press('Revoke it');
    await waitFor(() => expect(said.words).toEqual(['The link for “Wall” is revoked. All others go on.']));
    expect(changes(asked)).toEqual([['DELETE', '/feeds/6', null]]);
});
