import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import type { ReactElement } from 'react';
import type { Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { FirstStepsEntry } from '@/features/first-steps/FirstStepsEntry';
import { FirstStepsPage } from '@/features/first-steps/FirstStepsPage';
import { useOpenSteps } from '@/features/first-steps/useFirstSteps';
import { windowOf } from '@/features/rota/useWindow';
import { formatYear } from '@/time/dates';
import { madePerson, refused } from './made';
import { fakeServer, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({ Link: ({ to, search, children }: { to: string; search?: object; children: string }) => <a href={to + (search === undefined ? '' : JSON.stringify(search))}>{children}</a> }));

afterEach(cleanup);

type State = Schemas['FirstStep']['state'];

const STEPS = ['name', 'dates', 'categories', 'groups', 'people', 'calendar', 'overlay'] as const;
const organisation = { name: '', timezone: 'Europe/London', firstMonth: null, administratorsNeedSecondFactor: false, plainHttp: false, dayFirst: true, morning: '09:00', evening: '18:00', mayAskFor: 'change', frameSites: [], version: 4 };

/** A server with these states of the steps, which remembers what is left out. */
function serve(states: Partial<Record<string, State>>, refusals: Record<string, ReturnType<typeof refused>> = {}) {
    return fakeServer(({ method, path, body }) => {
        const step = path.startsWith('/organisation/first-steps/') ? path.slice('/organisation/first-steps/'.length) : null;
        if (step !== null) states[step] = (body as { skipped: boolean }).skipped ? 'skipped' : 'open';
        if (path.startsWith('/organisation/first-steps')) {
            return {
                body: {
                    steps: STEPS.map((each) => ({ step: each, title: `Step ${each}`, about: `About ${each}`, state: states[each] ?? 'open' })),
                    categories: [{ name: 'Closed', colour: 'slate', closesDay: true }, { name: 'Meeting', colour: 'sea', closesDay: false }],
                },
            };
        }
        if (path === '/organisation') {
            if (method === 'PATCH') states.name = 'done';
            return { body: organisation };
        }
        if (method === 'POST') return refusals[(body as { name: string }).name] ?? { status: 201, body: {} };
        return { body: [] };
    });
}

function show(what: ReactElement, person = madePerson()) {
    const { client, wrapper } = withQueries();
    client.setQueryData(queryKeys.session, { person, demo: null, organisation: { name: '', firstMonth: null } });
    return render(what, { wrapper });
}

const open = () => screen.getAllByRole('button', { expanded: true }).map((each) => each.textContent);
const changes = (asked: ReturnType<typeof serve>) => asked.filter(({ method }) => method !== 'GET').map(({ method, path, body }) => [method, path, body]);

test('one step is open at a time: the first that is neither done nor left out, or the one that is chosen', async () => {
    serve({ name: 'done', dates: 'skipped' });
    show(<FirstStepsPage />);
    await screen.findByText('About categories');
    expect(open()).toEqual(['Step categories']);
    expect(screen.getByText('done')).toBeDefined();
    expect(screen.getByText('left out')).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Step name' }));
    expect(open()).toEqual(['Step name']);
});

test('what is left out closes, the next opens, and it is taken up again from where it stands', async () => {
    const asked = serve({});
    show(<FirstStepsPage />);
    fireEvent.click(await screen.findByRole('button', { name: 'Leave out: Step name' }));
    await waitFor(() => expect(open()).toEqual(['Step dates']));
    fireEvent.click(screen.getByRole('button', { name: 'Take up: Step name' }));
    await waitFor(() => expect(open()).toEqual(['Step name']));
    expect(changes(asked)).toEqual([['PUT', '/organisation/first-steps/name', { skipped: true }], ['PUT', '/organisation/first-steps/name', { skipped: false }]]);
});

test('the name is saved from the version that was looked at, and the next step opens', async () => {
    const asked = serve({});
    show(<FirstStepsPage />);
    fireEvent.change(await screen.findByLabelText('Name of the organisation'), { target: { value: 'Skerrin Quay' } });
    await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(false));
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(open()).toEqual(['Step dates']));
    expect(changes(asked)).toEqual([['PATCH', '/organisation', { name: 'Skerrin Quay' }]]);
});

test('dates that are right as they stand are decided by saving them', async () => {
    const asked = serve({ name: 'done' });
    show(<FirstStepsPage />);
    fireEvent.change(await screen.findByLabelText('Your year begins in'), { target: { value: '9' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(changes(asked)).toEqual([['PATCH', '/organisation', { timezone: 'Europe/London', dayFirst: true, firstMonth: 9 }]]));
});

test('no category is ticked to begin with, and those that are ticked are added', async () => {
    const asked = serve({ name: 'done', dates: 'done' });
    show(<FirstStepsPage />);
    const list = await screen.findByRole('group', { name: 'Categories to begin with' });
    expect(within(list).getAllByRole<HTMLInputElement>('checkbox').map((each) => each.checked)).toEqual([false, false]);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Add them' }).disabled).toBe(true);
    fireEvent.click(within(list).getByLabelText(/^Closed/));
    fireEvent.click(screen.getByRole('button', { name: 'Add one category' }));
    await waitFor(() => expect(changes(asked)).toEqual([['POST', '/categories', { name: 'Closed', colour: 'slate', closesDay: true, calendar: null }]]));
});

test('groups are made a line each, once each; a name that is refused stays written, and says why', async () => {
    const asked = serve({ name: 'done', dates: 'done', categories: 'done' }, { Staff: refused(422, 'x', ['name', 'There is a group of this name.']) });
    show(<FirstStepsPage />);
    const names = await screen.findByLabelText<HTMLTextAreaElement>('Their names, one a line');
    fireEvent.change(names, { target: { value: ' Rigging \n\nStaff\nRigging' } });
    fireEvent.click(screen.getByRole('button', { name: 'Make 2 groups' }));
    expect(await screen.findByText('“Staff”: There is a group of this name.')).toBeDefined();
    expect(names.value).toBe('Staff');
    expect(changes(asked).map(([, , body]) => body)).toEqual([{ name: 'Rigging' }, { name: 'Staff' }]);
});

test('when nothing is open the page says so, and nobody is reminded any more', async () => {
    serve(Object.fromEntries(STEPS.map((each) => [each, 'done'])));
    show(<><FirstStepsPage /><FirstStepsEntry /></>);
    expect(await screen.findByText(/^All of them are done/)).toBeDefined();
    expect(screen.queryByRole('link', { name: 'Go on' })).toBeNull();
});

test('an administrator is told which are open; others are told, and ask, nothing', async () => {
    const asked = serve({ name: 'done' });
    show(<FirstStepsEntry />);
    expect(await screen.findByText(/^6 are open: Step dates ·/)).toBeDefined();
    cleanup();
    const before = asked.length;
    function Count() {
        return <p>{useOpenSteps().length} open</p>;
    }
    show(<><FirstStepsEntry /><Count /><FirstStepsPage /></>, madePerson({ role: 'coordinator' }));
    expect(screen.getByText('0 open')).toBeDefined();
    expect(screen.getByText('Administrators take them')).toBeDefined();
    expect(asked).toHaveLength(before);
});

test('a year begins in the month that the organisation says', () => {
    const year = (date: string, firstMonth?: number) => Object.values(windowOf('year', date, 14, 'MO', 'half', firstMonth).span);
    expect([year('2026-11-11'), year('2026-11-11', 9), year('2026-08-31', 9), year('2026-09-01', 9)]).toEqual([
        ['2026-01-01', '2027-01-01'], ['2026-09-01', '2027-09-01'], ['2025-09-01', '2026-09-01'], ['2026-09-01', '2027-09-01'],
    ]);
    expect([formatYear('2026-01-01'), formatYear('2026-09-01'), formatYear('2099-09-01')]).toEqual(['2026', '2026/27', '2099/00']);
});
