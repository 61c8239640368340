import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { doubtWords, replaced } from '@/features/oneline/doubtWords';
import { OneLineField } from '@/features/oneline/OneLineField';
import { nextTarget, targetOf } from '@/features/oneline/useLineTarget';
import { rememberTarget } from '@/features/events/lastTarget';
import { madeCalendar, madePerson } from './made';
import { fakeServer, withQueries, type Asked } from './server';

const went = vi.hoisted(() => ({ to: [] as unknown[] }));
vi.mock('@tanstack/react-router', () => ({ useNavigate: () => (where: unknown) => void went.to.push(where) }));
vi.mock('@/toast/toast', () => ({ toast: Object.assign(() => undefined, { error: () => undefined }) }));

const [slip, loft] = [madeCalendar({ slug: 'slip', name: 'Slipway', mayAdd: true }), madeCalendar({ slug: 'loft', name: 'Long loft', mayAdd: true })];

function understood(line: string, more: Partial<Schemas['UnderstoodLine']> = {}): Schemas['UnderstoodLine'] {
    return {
        title: line.split(' ')[0] ?? '', start: '2026-11-27T09:00', end: '2026-11-27T10:00', allDay: false, place: '', categories: [], participants: [], calendar: 'slip', status: 'confirmed', private: false,
        repeat: null, pieces: [], doubts: [], span: null, showsOn: ['slip', 'loft'], ...more,
    };
}

beforeEach(() => {
    localStorage.clear();
    went.to.length = 0;
});
afterEach(cleanup);

/** A line on a page that is not the rota, with a server that understands lines as it is told. */
function page(line: (text: string) => Schemas['UnderstoodLine'] | 'never', calendars = [slip, loft]) {
    const { client } = withQueries();
    client.setQueryData(queryKeys.session, { person: madePerson(), demo: null, organisation: { name: '', firstMonth: null } });
    client.setQueryData(queryKeys.calendars, calendars);
    const asked = fakeServer(({ method, path, query }: Asked) => {
        if (path === '/line') {
            const told = line(query.get('line') ?? '');
            return told === 'never' ? told : { body: told };
        }
        if (path === '/find') return { body: { date: null, events: [], parties: [] } };
        return method === 'POST' && path === '/events' ? { status: 201, body: { id: 1, title: 'x', start: '2026-11-27T09:00', end: '2026-11-27T10:00', allDay: false, calendar: 'slip' } } : { body: [] };
    });
    render(
        <QueryClientProvider client={client}>
            <OneLineField />
        </QueryClientProvider>,
    );
    const field = screen.getByRole<HTMLInputElement>('combobox');
    const type = (text: string) => fireEvent.change(field, { target: { value: text } });
    const enter = (more = {}) => fireEvent.keyDown(field, { key: 'Enter', ...more });
    const added = () => asked.filter(({ method, path }) => method === 'POST' && path === '/events').map(({ body }) => body as Schemas['EventInput']);
    fireEvent.focus(field);
    return { asked, field, type, enter, added };
}

describe('Enter', () => {
    test('adds what is written, also where nothing is answered yet and the next one follows at once', async () => {
        const { type, enter, added, field } = page(understood);
        type('First fri 9:00');
        enter();
        expect(field.value).toBe('');
        type('Second fri 9:00');
        enter();
        await waitFor(() => expect(added().map(({ title }) => title)).toEqual(['First', 'Second']));
        expect(field.value).toBe('');
    });

    test('asks about the text as it stands then, not about an earlier one', async () => {
        const { asked, type, enter, added } = page(understood);
        type('Wrong fri');
        await waitFor(() => expect(asked.some(({ path, query }) => path === '/line' && query.get('line') === 'Wrong fri')).toBe(true));
        type('Right fri');
        enter();
        await waitFor(() => expect(added().map(({ title }) => title)).toEqual(['Right']));
    });

    test('adds a line whose answer was on its way when it left the field, and was broken off with that', async () => {
        let times = 0;
        const { asked, type, enter, added, field } = page((text) => (++times === 1 ? 'never' : understood(text)));
        type('Drill fri 9:00');
        await waitFor(() => expect(asked.some(({ path }) => path === '/line')).toBe(true));
        enter();
        await waitFor(() => expect(added().map(({ title }) => title)).toEqual(['Drill']));
        expect(field.value).toBe('');
        expect(screen.queryByRole('alert')).toBeNull();
    });

    test('asks once a pause, not once a key', async () => {
        const { asked, type } = page(understood);
        for (const text of ['D', 'Dr', 'Dri', 'Dril', 'Drill', 'Drill fri']) type(text);
        await screen.findByRole('option', { name: /Drill/ });
        expect(asked.filter(({ path }) => path === '/line').map(({ query }) => query.get('line'))).toEqual(['Drill fri']);
    });

    test.each([
        ['a day that there is not', understood('Launch', { start: null, end: null, doubts: [{ kind: 'date', at: 7, text: '31 nov', reason: 'noSuchDate', blocks: true, offers: ['30 nov'] }] }), /Put right what is marked/],
        ['no title', understood('', { title: '' }), /has no title yet/],
        ['no calendar that is clear', understood('Launch', { calendar: null }), /Choose the calendar/],
    ])('adds nothing where there is %s: the line is there again, with the reason', async (_, line, why) => {
        const { type, enter, added, field } = page(() => line);
        type('Launch 31 nov');
        enter();
        expect((await screen.findByRole('alert')).textContent).toMatch(why);
        expect(field.value).toBe('Launch 31 nov');
        expect(added()).toEqual([]);
    });

    test('opens the form with Shift, on a page of its own', async () => {
        const { type, enter, added } = page(understood);
        type('Drill fri');
        enter({ shiftKey: true });
        await waitFor(() => expect(went.to).toEqual([{ to: '/' }]));
        expect(added()).toEqual([]);
    });
});

test('what was meant stands in place of what was not understood', async () => {
    const { type, field, enter, added } = page((text) => understood(text, text.includes('31') ? { start: null, end: null, doubts: [{ kind: 'date', at: 7, text: '31 nov', reason: 'noSuchDate', blocks: true, offers: ['30 nov'] }] } : {}));
    type('Launch 31 nov 9:00');
    fireEvent.click(await screen.findByRole('button', { name: '30 nov' }));
    expect(field.value).toBe('Launch 30 nov 9:00');
    enter();
    await waitFor(() => expect(added()).toHaveLength(1));
    expect(replaced('Ærø 31 nov', { at: 4, text: '31 nov' }, '30 nov')).toBe('Ærø 30 nov');
    expect(doubtWords({ kind: 'date', reason: 'noSuchDate' })).toBe('there is no such day');
    expect(doubtWords({ kind: 'ending', reason: 'unclear' })).toBe('until when is not clear');
});

test('where it would not show is said before it is added, and another calendar is one click', async () => {
    const { type, enter, added } = page((text) => understood(text, { showsOn: ['loft'] }));
    type('Drill fri');
    expect((await screen.findByText(/it will not show here/)).textContent).toContain('Slipway');
    fireEvent.click(screen.getByRole('button', { name: /Long loft/ }));
    await waitFor(() => expect(screen.queryByText(/it will not show here/)).toBeNull());
    enter();
    await waitFor(() => expect(added().map(({ calendar }) => calendar)).toEqual(['loft']));
});

test('who may add nowhere reads why', async () => {
    const { type, enter, added } = page(understood, [madeCalendar({ slug: 'slip', name: 'Slipway', mayAdd: false })]);
    type('Drill fri');
    expect(await screen.findByText(/There is no calendar yet that you may add this to/)).toBeDefined();
    enter();
    expect(added()).toEqual([]);
});

test('the target is what was chosen or named, else what was used here last, and never just the first', () => {
    const host = { overlay: 'term' };
    const line = { calendar: null, showsOn: ['slip', 'loft'] };
    expect(targetOf(line, null, [slip, loft], host)).toBeUndefined();
    expect(targetOf(line, 'loft', [slip, loft], host)?.slug).toBe('loft');
    expect(targetOf({ ...line, calendar: 'loft' }, null, [slip, loft], host)?.slug).toBe('loft');
    rememberTarget('term', 'loft');
    expect(targetOf(line, null, [slip, loft], host)?.slug).toBe('loft');
    expect(targetOf({ ...line, showsOn: ['slip'] }, null, [slip, loft], host)?.slug).toBe('slip');
    expect(targetOf(line, null, [slip, loft], { overlay: 'other' })).toBeUndefined();
    expect([nextTarget(line, undefined, [slip, loft], 1), nextTarget(line, slip, [slip, loft], 1), nextTarget(line, slip, [slip, loft], -1)]).toEqual(['slip', 'loft', 'loft']);
});
