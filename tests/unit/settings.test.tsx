import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { Problem, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { OrganisationForm } from '@/features/organisation/OrganisationForm';
import { useOrganisation } from '@/features/organisation/useOrganisation';
import { OrganiserField } from '@/features/participants/OrganiserField';
import type { Participant } from '@/features/participants/participants';
import { ParticipantsPicker } from '@/features/participants/ParticipantsPicker';
import { TasksField, type TaskValues } from '@/features/preparation/TasksField';
import { DateChips } from '@/features/recurrence/DateChips';
import { isLastOf, ordinalOf, pickOf, ruleInputOf } from '@/features/recurrence/repeatValues';
import { RemindersField } from '@/features/reminders/RemindersField';
import { dueWords, reminderWords } from '@/features/reminders/reminderWords';
import { SecondFactorDialog } from '@/features/second-factor/SecondFactorDialog';
import { SecondFactorNotice } from '@/features/second-factor/SecondFactorNotice';
import { CodeField } from '@/features/session/CodeField';
import { SignInAgain } from '@/features/session/SignInAgain';
import { SignInPage } from '@/features/session/SignInPage';
import { madePerson, refused } from './made';
import { fakeServer, withQueries, type Asked } from './server';

const said = vi.hoisted(() => ({ words: [] as string[] }));
vi.mock('@/toast/toast', () => ({ toast: Object.assign((words: string) => said.words.push(words), { error: (words: string) => said.words.push(words) }) }));

beforeEach(() => {
    said.words = [];
});
afterEach(cleanup);

function show(what: ReactElement) {
    const { client, wrapper } = withQueries();
    client.setQueryData(queryKeys.session, { person: madePerson(), demo: null });
    client.setQueryData(queryKeys.calendars, []);
    return { ...render(what, { wrapper }), client };
}

const changes = (asked: Asked[]) => asked.filter(({ method }) => method !== 'GET').map(({ method, path, body }) => [method, path, body]);
const type = (label: string, value: string) => {
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
    fireEvent.blur(screen.getByLabelText(label));
};
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const ready = (name: string) => waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name }).disabled).toBe(false));

describe('what the organisation decides', () => {
    const organisation: Schemas['Organisation'] = { name: '', timezone: 'Europe/London', firstMonth: null, schoolYear: { terms: [], alternates: false, halfTermCounts: false }, closures: null, administratorsNeedSecondFactor: false, plainHttp: false, dayFirst: true, afternoon: '13:00', morning: '09:00', evening: '18:00', mayAskFor: 'change', frameSites: [], meetings: '', version: 4 };
    function Form() {
        const { save } = useOrganisation();
        return <OrganisationForm organisation={organisation} save={save} />;
    }

    test('terms and half-terms are added, letters asked for where weeks alternate, and what is wrong is told at its term', async () => {
        let refuse = true;
        const change = { series: 2, days: [{ date: '2026-12-08', dropped: 2, added: 0 }, { date: '2026-12-10', dropped: 0, added: 1 }] };
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: [] } : method === 'POST' ? { body: change } : refuse ? refused(422, 'This cannot be.', ['schoolYear.terms.0', 'Autumn ends before it begins.']) : { body: { ...organisation, version: 5 } }));
        show(<Form />);
        press('Term');
        type('Term', 'Autumn');
        press('Half-term');
        expect(screen.queryByLabelText('Begins with')).toBeNull();
        fireEvent.click(screen.getByLabelText('Weeks are A and B in turn'));
        type('Begins with', 'B');
        fireEvent.click(screen.getByLabelText(/^A half-term takes its turn/));
        // What it would change is told before it is saved.
        await waitFor(() => expect(screen.getByRole('status', { name: 'What this would change' }).textContent).toBe('2 repeats in term only would change: 2 times go, 1 comes.Tue 8 Dec 2026: 2 fewerThu 10 Dec 2026: 1 more'));
        press('Save');
        expect(await screen.findByText('Autumn ends before it begins.')).toBeTruthy();
        refuse = false;
        press('Take out the half-term of Autumn');
        press('Save');
        await waitFor(() => expect(said.words).toContain('That holds for everybody from now on.'));
        const sent = changes(asked).findLast(([method]) => method === 'PATCH')?.[2] as { schoolYear: Schemas['SchoolYear'] };
        expect(sent.schoolYear).toMatchObject({ alternates: true, halfTermCounts: true, terms: [{ name: 'Autumn', startsWith: 'B', halfTerms: [] }] });
    });

    test('is saved as far as it was changed, from the version that was looked at', async () => {
        const asked = fakeServer(({ path }) => ({ body: path === '/calendars' ? [] : { ...organisation, version: 5 } }));
        const { client } = show(<Form />);
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(true);
        type('2/11 is', 'month');
        type('The evening begins', '17:30');
        fireEvent.click(screen.getByLabelText('Fetch it without encryption where there is none'));
        press('Save');
        await waitFor(() => expect(said.words).toEqual(['That holds for everybody from now on.']));
        expect(changes(asked)).toEqual([['PATCH', '/organisation', { dayFirst: false, evening: '17:30', plainHttp: true }]]);
        expect(asked.find(({ method }) => method === 'PATCH')?.headers.get('If-Match')).toBe('"4"');
        expect(client.getQueryData<typeof organisation>(queryKeys.organisation)?.version).toBe(5);
    });

    test('is put back as it was by Cancel', () => {
        fakeServer(({ method }) => (method === 'GET' ? { body: [] } : { body: organisation }));
        show(<Form />);
        type('At most for', 'none');
        press('Cancel');
        expect(screen.getByLabelText<HTMLSelectElement>('At most for').value).toBe('change');
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(true);
    });

    test('where somebody else was first it is saved over theirs only on a second word', async () => {
        let first = true;
        const asked = fakeServer(({ method, path }) => {
            if (method === 'GET') return { body: path === '/calendars' ? [] : organisation };
            if (!first) return { body: { ...organisation, version: 8 } };
            first = false;
            return { status: 412, body: { title: 'Somebody else was first.', status: 412, detail: '', current: { ...organisation, version: 7 } } };
        });
        show(<Form />);
        type('The morning begins', '08:00');
        press('Save');
        expect(await screen.findByText(/What you chose is kept/)).toBeDefined();
        expect(screen.getByLabelText<HTMLInputElement>('The morning begins').value).toBe('8:00');
        await ready('Save');
        press('Save');
        await waitFor(() => expect(said.words).toHaveLength(1));
        expect(asked.filter(({ method }) => method === 'PATCH').map(({ headers }) => headers.get('If-Match'))).toEqual(['"4"', '"7"']);
    });

    test('what cannot be is said where it stands', async () => {
        fakeServer(({ method, path }) => (method === 'GET' ? { body: path === '/calendars' ? [] : organisation } : refused(422, 'Some of this cannot be saved.', ['evening', 'The evening begins after the morning.'], ['administratorsNeedSecondFactor', 'Set up a second factor of your own first.'])));
        show(<Form />);
        fireEvent.click(screen.getByLabelText('Administrators need a second factor'));
        press('Save');
        expect(await screen.findByText('The evening begins after the morning.')).toBeDefined();
        expect(screen.getByText(/Set up a second factor of your own first/)).toBeDefined();
        expect(screen.getByRole('button', { name: 'Set it up' })).toBeDefined();
    });
});

describe('a second factor', () => {
    const told = { secret: 'GEZDGNBVGY3TQOJQ', uri: 'otpauth://totp/Pinned%20Rota:ada?secret=GEZDGNBVGY3TQOJQ' };
    const codes = ['abcde-23456', 'fghij-34567'];

    test('is set up in three steps, each with what is wrong said at its field', async () => {
        let on = false;
        let right = false;
        const asked = fakeServer(({ method, path }) => {
            if (method === 'GET') return { body: path === '/session' ? { person: madePerson(), demo: null } : { on, codesLeft: on ? 10 : 0, needed: true } };
            if (method === 'POST') return right ? { status: 201, body: told } : refused(422, 'Some of this cannot be saved.', ['password', 'This is not your password.']);
            if (!right) return refused(422, 'Some of this cannot be saved.', ['code', 'These are not the figures.']);
            on = true;
            return { body: { codes } };
        });
        const onClose = vi.fn();
        show(<SecondFactorDialog onClose={onClose} />);
        expect(await screen.findByText(/until then you do not look after people here/)).toBeDefined();
        type('Your password', 'wrong');
        press('Set one up');
        expect(await screen.findByText('This is not your password.')).toBeDefined();
        right = true;
        await ready('Set one up');
        press('Set one up');
        expect(await screen.findByRole('img', { name: /for a camera/ })).toBeDefined();
        expect(screen.getByText('GEZD GNBV GY3T QOJQ')).toBeDefined();
        right = false;
        type('The six figures that it shows', '000000');
        press('Confirm');
        expect(await screen.findByText('These are not the figures.')).toBeDefined();
        right = true;
        await ready('Confirm');
        type('The six figures that it shows', '123456');
        press('Confirm');
        expect((await screen.findAllByRole('listitem')).map((each) => each.textContent)).toEqual(codes);
        press('I have them');
        expect(onClose).toHaveBeenCalled();
        expect(changes(asked).at(-1)).toEqual(['PUT', '/session/second-factor', { code: '123456' }]);
    });

    test('that is there has its codes renewed, or is ended, by the password', async () => {
        let on = true;
        const asked = fakeServer(({ method, path }) => {
            if (method === 'GET') return { body: path === '/session' ? { person: madePerson(), demo: null } : { on, codesLeft: 1, needed: false } };
            if (method === 'DELETE') {
                on = false;
                return { status: 204 };
            }
            return { status: 201, body: { codes } };
        });
        const { unmount } = show(<SecondFactorDialog onClose={() => undefined} />);
        expect(await screen.findByText(/1 recovery code is left/)).toBeDefined();
        type('Your password', 'oars and ropes');
        press('New recovery codes');
        expect(await screen.findByRole('list', { name: 'Recovery codes' })).toBeDefined();
        unmount();
        show(<SecondFactorDialog onClose={() => undefined} />);
        await screen.findByText('You have one.');
        type('Your password', 'oars and ropes');
        press('End it');
        expect(await screen.findByText('You have none.')).toBeDefined();
        expect(said.words).toEqual(['You sign in by your password alone from now on.']);
        expect(changes(asked)).toEqual([['POST', '/session/second-factor/codes', { password: 'oars and ropes' }], ['DELETE', '/session/second-factor', { password: 'oars and ropes' }]]);
    });

    test('that the organisation asks for cannot be ended by oneself', async () => {
        fakeServer(() => ({ body: { on: true, codesLeft: 3, needed: true } }));
        show(<SecondFactorDialog onClose={() => undefined} />);
        await screen.findByText('You have one.');
        expect(screen.queryByRole('button', { name: 'End it' })).toBeNull();
    });

    test('that is due is asked for above every page', async () => {
        fakeServer(() => ({ body: { on: false, codesLeft: 0, needed: true } }));
        show(<SecondFactorNotice />);
        press('Set it up');
        expect(await screen.findByText('You have none.')).toBeDefined();
    });

    test('is asked for at sign-in of those who have one, and never shown to others', async () => {
        const needs = refused(422, 'Some of this cannot be saved.', ['code', 'Enter what your authenticator shows, or a recovery code.']);
        const asked = fakeServer(({ body }) => ((body as { code?: string }).code === undefined ? needs : { body: { person: madePerson(), demo: null } }));
        show(<SignInPage demo={{ password: 'high-water-mark', roles: [{ name: 'Ada Quill', email: 'ada@example.org', post: '' }], people: [] }} organisation="" />);
        expect(screen.queryByLabelText('Second factor')).toBeNull();
        fireEvent.click(screen.getByText('Ada Quill'));
        type('Second factor', await screen.findByLabelText('Second factor').then(() => '123456'));
        await ready('Sign in');
        press('Sign in');
        await waitFor(() => expect(changes(asked)).toHaveLength(2));
        expect(changes(asked)[1]).toEqual(['POST', '/session', { email: 'ada@example.org', password: 'high-water-mark', stay: false, code: '123456' }]);
    });

    test('is asked for, too, where somebody signs in over what they were doing', async () => {
        const asked = fakeServer(({ method, body }) => (method === 'GET' ? { body: { person: null, demo: null } } : (body as { code?: string }).code === undefined ? refused(422, 'x', ['code', 'Enter it.']) : { body: { person: madePerson(), demo: null } }));
        const onBack = vi.fn();
        show(<SignInAgain person={madePerson()} demo={null} onBack={onBack} />);
        type('Password', 'oars and ropes');
        press('Sign in and go on');
        type('Second factor', await screen.findByLabelText('Second factor').then(() => 'abcde-23456'));
        await ready('Sign in and go on');
        press('Sign in and go on');
        await waitFor(() => expect(onBack).toHaveBeenCalled());
        expect(changes(asked).at(-1)).toEqual(['POST', '/session', { email: 'ada@example.org', password: 'oars and ropes', code: 'abcde-23456' }]);
    });

    test('its field stays while something is typed in it', () => {
        const { rerender } = render(<CodeField code="" problem={null} onChange={() => undefined} />);
        expect(screen.queryByLabelText('Second factor')).toBeNull();
        rerender(<CodeField code="" problem={new Problem(422, 'x', '', [{ field: 'code', message: 'Enter it.' }], null)} onChange={() => undefined} />);
        expect(screen.getByRole('alert').textContent).toBe('Enter it.');
        rerender(<CodeField code="12" problem={null} onChange={() => undefined} />);
        expect(screen.getByLabelText<HTMLInputElement>('Second factor').value).toBe('12');
    });
});

describe('the parts of the form of an event', () => {
    function Holding<Value>({ first, children }: { first: Value; children: (value: Value, put: (value: Value) => void) => ReactElement }) {
        const [value, put] = useState(first);
        return children(value, put);
    }

    test('reminders are added in order and taken off, each once', () => {
        const seen: number[][] = [];
        render(
            <Holding first={[] as number[]}>
                {(chosen, put) => (
                    <RemindersField
                        chosen={chosen}
                        error={undefined}
                        onChange={(next) => {
                            seen.push(next);
                            put(next);
                        }}
                    />
                )}
            </Holding>,
        );
        expect(screen.getByText('None. It goes out with feeds and files; here each takes it who wants it.')).toBeDefined();
        type('Suggest a reminder', '1440');
        type('Suggest a reminder', '10');
        expect(seen.at(-1)).toEqual([10, 1440]);
        expect(screen.queryByRole('option', { name: '1 day before' })).toBeNull();
        press('No reminder 10 minutes before');
        expect(seen.at(-1)).toEqual([1440]);
    });

    test('lengths before an event are told in the largest unit that they come to', () => {
        expect([0, 1, 10, 60, 90, 120, 1440, 2880, 10_080, 20_160].map(reminderWords)).toEqual([
            'when it starts', '1 minute before', '10 minutes before', '1 hour before', '90 minutes before', '2 hours before', '1 day before', '2 days before', '1 week before', '2 weeks before',
        ]);
        expect([-3, -1, 0, 1, 2].map(dueWords)).toEqual(['3 days before', '1 day before', 'on the day', '1 day after', '2 days after']);
    });

    test('what is to be prepared is before or after, by somebody or nobody', async () => {
        fakeServer(() => ({ body: [{ kind: 'person', id: 8, name: 'Cy Brook', about: '' }] }));
        const seen: TaskValues[][] = [];
        const { wrapper } = withQueries();
        render(
            <Holding first={[{ id: 5, title: 'Cradle', days: -2, doer: null }] as TaskValues[]}>
                {(tasks, put) => (
                    <TasksField
                        tasks={tasks}
                        problems={[{ field: 'tasks.0.title', message: 'Say what is to be done.' }, { field: 'tasks.4.days', message: 'Not this one.' }]}
                        onChange={(next) => {
                            seen.push(next);
                            put(next);
                        }}
                    />
                )}
            </Holding>,
            { wrapper },
        );
        expect(screen.getByRole('alert').textContent).toBe('Say what is to be done.');
        type('Before or after, 1', 'after');
        expect(seen.at(-1)).toEqual([{ id: 5, title: 'Cradle', days: 2, doer: null }]);
        type('Days, 1', '4');
        expect(seen.at(-1)?.[0]?.days).toBe(4);
        fireEvent.change(screen.getByLabelText('Who does it'), { target: { value: 'cy' } });
        fireEvent.click(await screen.findByRole('option', { name: /Cy Brook/ }));
        expect(seen.at(-1)?.[0]?.doer).toEqual({ id: 8, name: 'Cy Brook' });
        press('Cy Brook does not do it');
        expect(seen.at(-1)?.[0]?.doer).toBeNull();
        press('Something to prepare');
        expect(seen.at(-1)?.[1]).toEqual({ id: null, title: '', days: -1, doer: null });
        press('Take “Cradle” off the list');
        expect(seen.at(-1)?.map(({ id }) => id)).toEqual([null]);
    });

    test('days are put in order, once each, and taken off', () => {
        const seen: string[][] = [];
        render(
            <Holding first={['2026-11-17T09:00']}>
                {(dates, put) => (
                    <DateChips
                        label="But not on"
                        zone="Europe/London"
                        today="2026-11-09"
                        dates={dates}
                        error={undefined}
                        onChange={(next) => {
                            seen.push(next);
                            put(next);
                        }}
                    />
                )}
            </Holding>,
        );
        const field = () => screen.getByLabelText('But not on', { selector: 'input' });
        fireEvent.change(field(), { target: { value: '2026-11-10' } });
        fireEvent.keyDown(field(), { key: 'Enter' });
        expect(seen.at(-1)).toEqual(['2026-11-10', '2026-11-17T09:00']);
        const before = seen.length;
        fireEvent.change(field(), { target: { value: '2026-11-10' } });
        fireEvent.blur(field());
        expect(seen).toHaveLength(before);
        fireEvent.click(screen.getAllByRole('button', { name: /^No longer but not on/ })[1] as HTMLElement);
        expect(seen.at(-1)).toEqual(['2026-11-10']);
    });

    test('a repeat begins with the day of its start, and is sent as it was picked', () => {
        expect([ordinalOf('2026-11-01'), ordinalOf('2026-11-10'), ordinalOf('2026-11-29')]).toEqual([1, 2, 5]);
        expect([isLastOf('2026-11-23'), isLastOf('2026-11-24'), isLastOf('2026-12-31')]).toEqual([false, true, true]);
        const own = pickOf(null, '2026-11-10');
        expect(own).toMatchObject({ unit: 'week', interval: 1, weekdays: ['TU'], ruleText: '' });
        expect(ruleInputOf(own)).toEqual({ pick: { unit: 'week', interval: 1, weekdays: ['TU'], monthBy: 'date' } });
        expect(ruleInputOf({ ...own, unit: 'month', monthBy: 'last day', weekdays: ['TU'] })).toEqual({ pick: { unit: 'month', interval: 1, weekdays: [], monthBy: 'last day' } });
        expect(ruleInputOf({ ...own, unit: 'rule', ruleText: ' RRULE:FREQ=DAILY ' })).toEqual({ rule: 'FREQ=DAILY' });
        expect(ruleInputOf({ ...own, unit: 'dates' })).toEqual({});
        expect(pickOf({ rule: null, pick: null }, '2026-11-10').unit).toBe('dates');
        expect(pickOf({ rule: 'FREQ=HOURLY', pick: null }, '2026-11-10')).toMatchObject({ unit: 'rule', ruleText: 'FREQ=HOURLY' });
    });

    test('who takes part is named once, and a room says where it is', async () => {
        fakeServer(() => ({ body: [{ kind: 'person', id: 8, name: 'Cy Brook', about: '' }, { kind: 'room', id: 2, name: 'Long loft', about: 'room' }] }));
        const seen: Participant[][] = [];
        const rooms: string[] = [];
        const { wrapper } = withQueries();
        render(
            <Holding first={[] as Participant[]}>
                {(chosen, put) => (
                    <ParticipantsPicker
                        chosen={chosen}
                        error={undefined}
                        onRoom={(name) => rooms.push(name)}
                        onChange={(next) => {
                            seen.push(next);
                            put(next);
                        }}
                    />
                )}
            </Holding>,
            { wrapper },
        );
        const pick = async (name: RegExp) => {
            fireEvent.change(screen.getByLabelText('People, groups and rooms'), { target: { value: 'x' } });
            fireEvent.click(await screen.findByRole('option', { name }));
        };
        await pick(/Cy Brook/);
        await pick(/Long loft/);
        await pick(/Cy Brook/);
        await pick(/Long loft/);
        expect(seen.at(-1)?.map(({ name, part }) => `${name}, ${part}`)).toEqual(['Cy Brook, required', 'Long loft, required']);
        expect(rooms).toEqual(['Long loft']);
        type('Part of Cy Brook', 'responsible');
        expect(seen.at(-1)?.[0]?.part).toBe('responsible');
    });

    test('the organiser is whoever adds it, unless somebody who takes part is chosen', () => {
        const person = (id: number, name: string): Participant => ({ kind: 'person', id, name, part: 'required', answer: 'unanswered' });
        const onChange = vi.fn();
        const { rerender } = show(<OrganiserField participants={[]} organiser={null} onChange={onChange} />);
        expect(screen.queryByLabelText('Organised by')).toBeNull();
        act(() => rerender(<OrganiserField participants={[person(8, 'Cy Brook'), { ...person(2, 'Long loft'), kind: 'room' }]} organiser={null} onChange={onChange} />));
        expect(screen.getAllByRole('option').map((each) => each.textContent)).toEqual(['whoever adds it', 'Ada Quill', 'Cy Brook']);
        type('Organised by', '8');
        expect(onChange).toHaveBeenLastCalledWith(8);
        act(() => rerender(<OrganiserField participants={[person(8, 'Cy Brook')]} organiser={8} onChange={onChange} />));
        type('Organised by', '');
        expect(onChange).toHaveBeenLastCalledWith(null);
    });
});
