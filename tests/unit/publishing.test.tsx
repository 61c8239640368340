import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { PagesOf } from '@/features/publishing/PagesOf';
import { PublicationDialog } from '@/features/publishing/PublicationDialog';
import type { Publication } from '@/features/publishing/usePublications';
import { addressOf, periodWords } from '@/features/publishing/words';
import { madeCalendar, refused } from './made';
import { fakeServer, withQueries, type Asked } from './server';

vi.mock('@tanstack/react-router', () => ({}));

afterEach(cleanup);

const made: Publication = {
    id: 7, name: 'Keel days', of: 'calendar', slug: 'keel-year', ofName: 'Keel year', detail: 'titles', audience: 'with the link', period: 'all', weeksBack: 0, weeksOn: 0, followed: true, asTable: false, onScreen: false, conditions: [], frameSites: 0,
    address: 'http://127.0.0.1/p/secret', mine: true, paused: false, publisher: 'Ada Quill', madeAt: '2026-11-27T08:00:00Z', formerUntil: null, reads: 0, lastReadAt: null,
};

describe('what is said of what is published', () => {
    test('of which days it is', () => {
        const words = (period: Publication['period'], weeksBack = 0, weeksOn = 0) => periodWords({ period, weeksBack, weeksOn });
        expect([words('all'), words('year'), words('weeks'), words('weeks', 2), words('weeks', 0, 6), words('weeks', 1, 4)]).toEqual([
            'all of it', 'this school year', 'this week', 'this week, 2 before', 'this week, 6 after', 'this week, 1 before and 4 after',
        ]);
    });

    test('an address that can be read is made of its name', () => {
        expect(['Keel year', '  Årets løp & regatta! ', 'École — été', '2026/27', '***'].map(addressOf)).toEqual(['keel-year', 'arets-l-p-regatta', 'ecole-ete', '2026-27', '']);
        expect(addressOf('a '.repeat(80)).length).toBeLessThanOrEqual(60);
    });
});

describe('a page is published', () => {
    function show(publication: Publication | null, answer: (asked: Asked) => { status?: number; body?: unknown }) {
        const asked = fakeServer((each) => (each.method === 'GET' ? { body: each.path === '/calendars' ? [madeCalendar({ slug: 'keel-year', name: 'Keel year', level: 'manage' }), madeCalendar({ slug: 'van', name: 'Van', level: 'change' })] : [] } : answer(each)));
        const onClose = vi.fn();
        const { wrapper } = withQueries();
        render(<PublicationDialog publication={publication} onClose={onClose} />, { wrapper });
        return { asked: () => asked.filter(({ method }) => method !== 'GET').map(({ method, path, body }) => [method, path, body]), onClose };
    }
    const choose = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

    test('of what one manages, under its name, and without names of people unless that is asked for', async () => {
        const { asked, onClose } = show(null, () => ({ status: 201, body: made }));
        await screen.findByRole('option', { name: 'Keel year (calendar)' });
        expect(screen.queryByRole('option', { name: /^Van/ })).toBeNull();
        choose('What', 'calendar:keel-year');
        expect(screen.getByLabelText<HTMLInputElement>('Name, at its top').value).toBe('Keel year');
        choose('It tells', 'everything');
        expect(screen.getByText(/Names of people go out, too/)).toBeDefined();
        choose('It tells', 'without people');
        expect(screen.queryByText(/Names of people go out, too/)).toBeNull();
        fireEvent.click(screen.getByLabelText('It can be taken as a table'));
        choose('For', 'everybody');
        expect(screen.getByLabelText<HTMLInputElement>('Its address').value).toBe('keel-year');
        fireEvent.click(screen.getByRole('button', { name: 'Publish it' }));
        await waitFor(() => expect(onClose).toHaveBeenCalled());
        expect(asked()).toEqual([['POST', '/publications', { calendar: 'keel-year', name: 'Keel year', detail: 'without people', audience: 'everybody', period: 'all', weeksBack: 1, weeksOn: 6, followed: true, asTable: true, slug: 'keel-year' }]]);
    });

    test('what is wrong is said at its field, and what was chosen stays', async () => {
        const { onClose } = show({ ...made, audience: 'everybody', address: 'http://127.0.0.1/p/keel' }, () => refused(422, 'Some of this cannot be saved.', ['slug', 'Another page has this address already.']));
        expect(screen.getByLabelText<HTMLInputElement>('Its address').value).toBe('keel');
        choose('Its address', 'taken');
        fireEvent.click(screen.getByRole('button', { name: 'Save' }));
        expect(await screen.findByText('Another page has this address already.')).toBeDefined();
        expect(screen.getByLabelText<HTMLInputElement>('Its address').value).toBe('taken');
        expect(onClose).not.toHaveBeenCalled();
    });

    test('what is changed says nothing of what it is of', async () => {
        const { asked, onClose } = show(made, () => ({ body: made }));
        choose('It tells', 'busy times');
        choose('Of which days', 'weeks');
        choose('Weeks after it', '3');
        fireEvent.click(screen.getByRole('button', { name: 'Save' }));
        await waitFor(() => expect(onClose).toHaveBeenCalled());
        expect(asked()).toEqual([['PUT', '/publications/7', { name: 'Keel days', detail: 'busy times', audience: 'with the link', period: 'weeks', weeksBack: 0, weeksOn: 3, followed: true, asTable: false }]]);
    });
});

describe('on the page of a calendar', () => {
    const pages = (published: Publication[]) => {
        const asked = fakeServer(({ method, path }) => (method === 'GET' ? { body: path === '/publications' ? published : path === '/calendars' ? [madeCalendar({ slug: 'keel-year', name: 'Keel year', level: 'manage' })] : [] } : { body: { ...made, paused: true } }));
        const { wrapper } = withQueries();
        render(<PagesOf of="calendar" slug="keel-year" name="Keel year" />, { wrapper });
        return asked;
    };

    test('its own are listed with what each gives, and no other', async () => {
        pages([made, { ...made, id: 8, name: 'Van days', slug: 'van' }, { ...made, id: 9, name: 'Keel overlay', of: 'overlay' }]);
        expect(await screen.findByText('Keel days')).toBeDefined();
        expect(screen.getByText(/Keel year: titles and times, all of it, for whoever has the link/)).toBeDefined();
        expect(screen.queryByText('Van days')).toBeNull();
        expect(screen.queryByText('Keel overlay')).toBeNull();
        expect(screen.getByLabelText<HTMLInputElement>('Address of Keel days').value).toBe('http://127.0.0.1/p/secret');
    });

    test('another is begun of it, under its name', async () => {
        pages([]);
        fireEvent.click(screen.getByRole('button', { name: 'Publish a page' }));
        expect(screen.getByLabelText<HTMLInputElement>('Name, at its top').value).toBe('Keel year');
        await waitFor(() => expect(screen.getByLabelText<HTMLSelectElement>('What').value).toBe('calendar:keel-year'));
    });

    test('one of somebody else is paused and taken back, not changed, and its link is not told', async () => {
        const asked = pages([{ ...made, mine: false, address: null, publisher: 'Ben Oar' }]);
        expect(await screen.findByText('Its address is known to Ben Oar.')).toBeDefined();
        expect(screen.queryByRole('button', { name: /^Change|new address$/ })).toBeNull();
        fireEvent.click(screen.getByRole('button', { name: 'Pause Keel days' }));
        await waitFor(() => expect(asked.some(({ method, path }) => method === 'PUT' && path === '/publications/7/paused')).toBe(true));
        fireEvent.click(screen.getByRole('button', { name: 'Take Keel days back' }));
        expect(screen.getByText(/told that it was taken back, for good/)).toBeDefined();
        expect(asked.some(({ method }) => method === 'DELETE')).toBe(false);
    });
});
