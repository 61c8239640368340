import { cleanup, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { queryKeys } from '@/api/queryKeys';
import { EventPanel } from '@/features/events/EventPanel';
import { ImportPreview } from '@/features/imports/ImportPreview';
import { RotaContext, type Rota } from '@/features/sheet/RotaContext';
import { madeCalendar, madeEvent, madePerson } from './made';
import { fakeServer, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({ Link: ({ children }: { children: string }) => <a href="/">{children}</a>, useNavigate: () => () => undefined }));
afterEach(cleanup);

function showPanel(more: Parameters<typeof madeEvent>[0]) {
    fakeServer(() => ({ body: [] }));
    const { client, wrapper } = withQueries();
    client.setQueryData(queryKeys.calendars, [madeCalendar()]);
    client.setQueryData(queryKeys.session, { person: madePerson() });
    const rota = { search: {}, zone: 'Europe/London', go: () => undefined } as unknown as Rota;
    render(
        <RotaContext value={rota}>
            <EventPanel event={madeEvent({ mayChange: false, ...more })} onEdit={() => undefined} onClose={() => undefined} />
        </RotaContext>,
        { wrapper },
    );
}

describe('an event that came in by a file', () => {
    test('says where it ends on another wall, with the day where that is another', () => {
        showPanel({ start: '2026-11-10T07:40', end: '2026-11-10T15:40', endTimezone: 'Europe/Oslo', endThere: '2026-11-10T16:40' });
        expect(screen.getByText(/It ends at/).textContent).toBe('It ends at 16:40 in Europe/Oslo');
        cleanup();
        showPanel({ start: '2026-11-10T21:00', end: '2026-11-10T23:30', endTimezone: 'Europe/Oslo', endThere: '2026-11-11T00:30' });
        expect(screen.getByText(/It ends at/).textContent).toBe('It ends at 11 Nov, 0:30 in Europe/Oslo');
        cleanup();
        showPanel({});
        expect(screen.queryByText(/It ends at/)).toBeNull();
    });

    test('shows the addresses that came with it, each kind under its name', () => {
        showPanel({
            links: [
                { kind: 'conference', address: 'https://example.org/room', label: 'Room two' },
                { kind: 'image', address: 'https://example.org/boat.png', label: 'https://example.org/boat.png' },
            ],
        });
        const room = screen.getByRole('link', { name: 'Room two' });
        expect(room.getAttribute('href')).toBe('https://example.org/room');
        expect(room.getAttribute('rel')).toContain('noreferrer');
        expect(screen.getByText('Meets at').nextElementSibling?.contains(room)).toBe(true);
        expect(screen.getByText('Pictures').nextElementSibling?.textContent).toBe('https://example.org/boat.png');
        expect(screen.queryByText('Papers')).toBeNull();
    });
});

test('the preview of a file names the line of a problem where there is one, and the zone of each time', () => {
    const of = { end: '2026-12-05', row: null, line: null, said: '', doubts: [], changes: [], calendar: null, categories: [], newCategories: [], people: [], unknown: [] };
    render(
        <ImportPreview
            actions={null}
            isPutting={false}
            onChoose={() => Promise.resolve(true)}
            preview={{
                id: 1,
                fileName: 'odd.ics',
                kind: 'calendar',
                order: null,
                skipped: [],
                skippedCount: 0,
                columns: [],
                gone: [],
                goneCount: 0,
                takesGone: false,
                counts: { added: 2, changed: 0, unchanged: 0, removed: 0 },
                rows: [
                    { verdict: 'added', title: 'Committee', start: '2026-12-03T09:30', allDay: false, timezone: 'Europe/Amsterdam', repeats: false, place: '', ...of },
                    { verdict: 'added', title: 'Open day', start: '2026-12-04', allDay: true, timezone: null, repeats: true, place: 'Slip', ...of },
                ],
                problems: [
                    { line: 8, property: 'DTSTART', problem: 'the time zone is unknown', outcome: 'mended' },
                    { line: 0, property: '', problem: 'control characters stand in the text', outcome: 'mended' },
                ],
                problemCount: 2,
            }}
        />,
    );
    const problems = within(screen.getByRole('list', { name: 'Problems' })).getAllByRole('listitem');
    expect(problems.map((each) => each.textContent)).toEqual(['Line 8 DTSTART: the time zone is unknown (mended)', 'control characters stand in the text (mended)']);
    expect(screen.getByText('Committee').closest('tr')?.textContent).toContain('9:30 Europe/Amsterdam');
    expect(screen.getByText('Open day').closest('tr')?.textContent).toContain('2026, repeats');
});
