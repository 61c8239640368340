import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { LinksDialog } from '@/features/publishing/LinksDialog';
import { PagesOf } from '@/features/publishing/PagesOf';
import { PublicationDialog } from '@/features/publishing/PublicationDialog';
import type { Publication } from '@/features/publishing/usePublications';
import { addressOf, periodWords } from '@/features/publishing/words';
import { madeCalendar, refused } from './made';
import { fakeServer, withQueries, type Asked } from './server';
import { FrameDialog } from '@/features/publishing/FrameDialog';
import { addressOfFrame, lineOfFrame, PLAIN } from '@/features/publishing/frameLine';
import { PreviewNote } from '@/features/publishing/PreviewNote';
import { toldWords } from '@/features/publishing/previewWords';
import type { PublicationPreview } from '@/features/publishing/usePublicationPreview';
import { staleWords } from '@/published/stale';

vi.mock('@tanstack/react-router', () => ({}));

afterEach(cleanup);

const made: Publication = {
    id: 7, name: 'Keel days', of: 'calendar', slug: 'keel-year', ofName: 'Keel year', detail: 'titles', audience: 'with the link', period: 'all', weeksBack: 0, weeksOn: 0, followed: true, asTable: false, tableColumns: null, conditions: [], links: [], frameSites: 0,
    address: 'http://127.0.0.1/p/secret', mine: true, paused: false, publisher: 'Ada Quill', madeAt: '2026-11-27T08:00:00Z', formerUntil: null, reads: 0, lastReadAt: null,
};

const nothing: PublicationPreview = { from: '2026-10-30', to: '2027-11-26', count: 0, busy: 0, events: [], leftOut: [], warnings: [] };

/** Of what is only looked at nothing is asked of the test. */
const isPreview = ({ path }: Asked) => path === '/publications/preview';

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
        const asked = fakeServer((each) => (each.method === 'GET' ? { body: each.path === '/calendars' ? [madeCalendar({ slug: 'keel-year', name: 'Keel year', level: 'manage' }), madeCalendar({ slug: 'van', name: 'Van', level: 'change' })] : [] } : isPreview(each) ? { body: nothing } : answer(each)));
        const onClose = vi.fn();
        const { wrapper } = withQueries();
        render(<PublicationDialog publication={publication} onClose={onClose} />, { wrapper });
        return { asked: () => asked.filter((each) => each.method !== 'GET' && !isPreview(each)).map(({ method, path, body }) => [method, path, body]), onClose };
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
        fireEvent.click(screen.getByLabelText('Place'));
        fireEvent.click(screen.getByLabelText('Responsible'));
        fireEvent.click(screen.getByLabelText('Place'));
        choose('For', 'everybody');
        expect(screen.getByLabelText<HTMLInputElement>('Its address').value).toBe('keel-year');
        fireEvent.click(screen.getByRole('button', { name: 'Publish it' }));
        await waitFor(() => expect(onClose).toHaveBeenCalled());
        expect(asked()).toEqual([['POST', '/publications', { calendar: 'keel-year', name: 'Keel year', detail: 'without people', audience: 'everybody', period: 'all', weeksBack: 1, weeksOn: 6, followed: true, asTable: true, tableColumns: ['state', 'place', 'categories', 'layer'], conditions: [], slug: 'keel-year' }]]);
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

    test('what is for named people asks for them as soon as it is published', async () => {
        const named: Publication = { ...made, audience: 'named people', address: null };
        let published: Publication[] = [];
        fakeServer((each) => {
            if (isPreview(each)) return { body: nothing };
            if (each.method === 'POST') published = [named];
            return each.method === 'POST' ? { status: 201, body: named } : { body: each.path === '/publications' ? published : each.path === '/calendars' ? [madeCalendar({ slug: 'keel-year', name: 'Keel year', level: 'manage' })] : [] };
        });
        const { wrapper } = withQueries();
        render(<PublicationDialog publication={null} onClose={vi.fn()} />, { wrapper });
        await screen.findByRole('option', { name: 'Keel year (calendar)' });
        choose('What', 'calendar:keel-year');
        choose('For', 'named people');
        expect(screen.queryByLabelText('Its address')).toBeNull();
        fireEvent.click(screen.getByRole('button', { name: 'Publish it' }));
        expect(await screen.findByText('People who read Keel days')).toBeDefined();
        expect(screen.getByText('Nobody is named yet, so nobody reads it.')).toBeDefined();
    });

    test('what is changed says nothing of what it is of', async () => {
        const { asked, onClose } = show(made, () => ({ body: made }));
        choose('It tells', 'busy times');
        choose('Of which days', 'weeks');
        choose('Weeks after it', '3');
        fireEvent.click(screen.getByRole('button', { name: 'Save' }));
        await waitFor(() => expect(onClose).toHaveBeenCalled());
        expect(asked()).toEqual([['PUT', '/publications/7', { name: 'Keel days', detail: 'busy times', audience: 'with the link', period: 'weeks', weeksBack: 0, weeksOn: 3, followed: true, asTable: false, tableColumns: null, conditions: [] }]]);
    });
});

describe('links for some alone', () => {
    const ann = { id: 3, purpose: 'person', name: 'Ann Quill', address: 'http://127.0.0.1/p/ann', madeAt: '2026-11-27T08:00:00Z', lastReadAt: null } as const;
    const hall = { ...ann, id: 4, purpose: 'screen', name: 'Hall', address: 'http://127.0.0.1/p/hall/screen', lastReadAt: '2026-11-27T09:00:00Z' } as const;
    const show = (publication: Publication, purpose: 'person' | 'screen', answer: (asked: Asked) => { status?: number; body?: unknown } = () => ({ status: 201, body: publication })) => {
        const asked = fakeServer(answer);
        const { wrapper } = withQueries();
        render(<LinksDialog publication={publication} purpose={purpose} onClose={vi.fn()} />, { wrapper });
        return () => asked.map(({ method, path, body }) => [method, path, body]);
    };
    const write = (names: string) => fireEvent.change(screen.getByLabelText(/one a line/), { target: { value: names } });

    test('people are named on lines of their own, and what was written stays where it is refused', async () => {
        let status = 422;
        const asked = show({ ...made, audience: 'named people', address: null, links: [ann, hall] }, 'person', () => (status === 422 ? refused(422, 'Some of this cannot be saved.', ['names.1', 'A name has 120 characters at most.']) : { status: 201, body: made }));
        expect(screen.getByLabelText<HTMLInputElement>('Link of Ann Quill').value).toBe('http://127.0.0.1/p/ann');
        expect(screen.queryByText('Hall')).toBeNull();
        expect(screen.getByRole('button', { name: 'Make a link' }).hasAttribute('disabled')).toBe(true);
        write(' Tove Arkell \n\n Emeka Sund\n');
        fireEvent.click(screen.getByRole('button', { name: 'Make 2 links' }));
        expect(await screen.findByText('A name has 120 characters at most.')).toBeDefined();
        expect(screen.getByLabelText<HTMLTextAreaElement>(/one a line/).value).toContain('Emeka Sund');
        status = 201;
        fireEvent.click(screen.getByRole('button', { name: 'Make 2 links' }));
        await waitFor(() => expect(screen.getByLabelText<HTMLTextAreaElement>(/one a line/).value).toBe(''));
        expect(asked().at(-1)).toEqual(['POST', '/publications/7/links', { purpose: 'person', names: ['Tove Arkell', 'Emeka Sund'] }]);
    });

    test('one is taken back once that was asked, and of a screen it is said when it asked last', async () => {
        const asked = show({ ...made, links: [ann, hall] }, 'screen', () => ({ body: made }));
        expect(screen.getByText(/asked last 27 Nov/)).toBeDefined();
        fireEvent.click(screen.getByRole('button', { name: 'Take back the link of Hall' }));
        expect(asked()).toEqual([]);
        fireEvent.click(screen.getByRole('button', { name: 'Take it back' }));
        await waitFor(() => expect(asked()).toEqual([['DELETE', '/publications/7/links/4', null]]));
    });

    test('who only manages what is published sees for whom there are links, and no address', () => {
        show({ ...made, mine: false, links: [{ ...ann, address: null }] }, 'person');
        expect(screen.getByText('Ann Quill')).toBeDefined();
        expect(screen.queryByLabelText('Link of Ann Quill')).toBeNull();
        expect(screen.queryByLabelText(/one a line/)).toBeNull();
    });
});

describe('on the page of a calendar', () => {
    const pages = (published: Publication[]) => {
        const asked = fakeServer(({ method, path, ...rest }) => (isPreview({ method, path, ...rest }) ? { body: nothing } : method === 'GET' ? { body: path === '/publications' ? published : path === '/calendars' ? [madeCalendar({ slug: 'keel-year', name: 'Keel year', level: 'manage' })] : [] } : { body: { ...made, paused: true } }));
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

describe('before it goes out', () => {
    test('it is said how much is told, and how much of that as busy times', () => {
        const words = (count: number, busy: number) => toldWords({ ...nothing, count, busy });
        expect([words(0, 0), words(1, 0), words(1, 1), words(5, 0), words(5, 2), words(5, 5)]).toEqual([
            'Nothing of the last four weeks and the coming year.',
            'One event of the last four weeks and the coming year.',
            'One event of the last four weeks and the coming year, as a busy time.',
            '5 events of the last four weeks and the coming year.',
            '5 events of the last four weeks and the coming year, 2 of them as busy times.',
            '5 events of the last four weeks and the coming year, all as busy times.',
        ]);
    });

    test('what is left out is said with why, and what one may not want to go out first', () => {
        render(
            <PreviewNote
                preview={{
                    ...nothing,
                    count: 3,
                    events: [{ title: 'Exam Feldkamp', start: '2026-12-01T09:00', end: '2026-12-01T10:00', allDay: false, place: 'Long loft', categories: ['exam'], responsible: [] }],
                    leftOut: [
                        { why: 'private', count: 1, examples: ['Hospital'] },
                        { why: 'busy', count: 2, examples: ['Busy'] },
                    ],
                    warnings: [
                        { where: 'title', count: 1, people: ['Noor Feldkamp'], examples: ['Exam Feldkamp'] },
                        { where: 'responsible', count: 9, people: ['Noor Feldkamp'], examples: [] },
                    ],
                }}
            />,
        );
        const items = (name: string) => [...screen.getByRole('list', { name }).querySelectorAll('li')].map((each) => each.textContent);
        expect(items('Mind')).toEqual(['The titles of one event name people (Noor Feldkamp), such as “Exam Feldkamp”.', 'Whoever is responsible is named on 9 events: Noor Feldkamp and others.']);
        expect(items('Left out')).toEqual(['One is private: when the time is taken goes out, and nothing else, such as “Hospital”.', '2 are seen as busy times by yourself, and no more than that goes out.']);
        expect(items('The next events, as they are told')).toEqual(['Exam Feldkamp, Tuesday 1 December, 9:00–10:00Long loft · exam']);
    });

    test('where it is not known of what it is, nothing is claimed', () => {
        render(<PreviewNote preview={null} />);
        expect(screen.getByText('Choose what it is of.')).toBeDefined();
    });
});

describe('a frame on another site', () => {
    const frame = { address: 'https://rota.example/p/open/frame', script: 'https://rota.example/frame.js' };

    test('its address says what is not as usual', () => {
        expect(addressOfFrame(frame.address, PLAIN)).toBe(frame.address);
        expect(addressOfFrame(frame.address, { ...PLAIN, view: 'month', off: [2, 0], look: 'dark', accent: '#1d5a8c', language: 'de', opens: 'here' })).toBe(`${frame.address}?view=month&off=0%2C2&look=dark&accent=1d5a8c&language=de&opens=here`);
    });

    test('is one line of HTML, in which a name is text', () => {
        const line = lineOfFrame(frame, 'Keel "A" <b>', { ...PLAIN, view: 'month', look: 'dark' });
        expect(line).not.toContain('\n');
        const page = new DOMParser().parseFromString(line, 'text/html');
        const [made] = page.getElementsByTagName('iframe');
        expect([made?.title, made?.getAttribute('src'), made?.dataset.height, page.querySelector('script')?.getAttribute('src'), page.querySelector('b')]).toEqual(['Keel "A" <b>', `${frame.address}?view=month&look=dark`, 'content', frame.script, null]);
        expect(lineOfFrame(frame, 'Keel', { ...PLAIN, height: 'fixed', pixels: 450 })).toMatch(/height:450px.*<\/iframe>$/);
    });

    test('is there once a site is named; what is no address is said at its field, and stays', async () => {
        const answers = [refused(422, 'Some of this cannot be saved.', ['sites', '“a b” is no address of a site.']), { body: { ...frame, sites: ['https://school.example'], layers: ['Boats', 'Wood'], languages: ['en', 'de'] } }];
        const asked = fakeServer(({ method }) => (method === 'GET' ? { body: { ...frame, sites: [], layers: ['Boats', 'Wood'], languages: ['en', 'de'] } } : (answers.shift() ?? {})));
        const { wrapper } = withQueries();
        render(<FrameDialog publication={made} onClose={vi.fn()} />, { wrapper });
        const sites = await screen.findByLabelText<HTMLTextAreaElement>('Sites that may show it, one a line');
        expect(screen.queryByLabelText('Line for the site')).toBeNull();
        fireEvent.change(sites, { target: { value: 'a b' } });
        fireEvent.click(screen.getByRole('button', { name: 'Save the sites' }));
        expect(await screen.findByText('“a b” is no address of a site.')).toBeDefined();
        expect(sites.value).toBe('a b');
        fireEvent.change(sites, { target: { value: ' school.example \n\n' } });
        fireEvent.click(screen.getByRole('button', { name: 'Save the sites' }));
        await waitFor(() => expect(sites.value).toBe('https://school.example'));
        expect(asked.filter(({ method }) => method === 'PUT').map(({ body }) => body)).toEqual([{ sites: ['a b'] }, { sites: ['school.example'] }]);
    });
});

test('a screen says that it is not as new as it should be, and how old it is', () => {
    const minutes = (count: number) => staleWords(count * 60_000);
    expect([minutes(0), minutes(2.9), minutes(3), minutes(119), minutes(120), minutes(1500)]).toEqual([
        null, null, 'As it was 3 minutes ago: nothing newer can be had at the moment.', 'As it was 119 minutes ago: nothing newer can be had at the moment.', 'As it was 2 hours ago: nothing newer can be had at the moment.', 'As it was 25 hours ago: nothing newer can be had at the moment.',
    ]);
});
