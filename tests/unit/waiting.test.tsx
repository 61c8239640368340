import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { AskedEvents } from '@/features/waiting/AskedEvents';
import { refused } from './made';
import { fakeServer, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({ Link: ({ children, search }: { children: ReactNode; search: unknown }) => <a href={`/?${JSON.stringify(search)}`}>{children}</a> }));

afterEach(cleanup);

const asked: Schemas['AskedEvent'] = { id: 7, occurrence: null, title: 'Haul out', place: 'Slip', start: '2026-11-03T09:00', end: '2026-11-03T10:30', allDay: false, times: 1, by: 'Ada Quill', calendar: { slug: 'slipway', name: 'Slipway', colour: 'sea', mark: 'disc' } };

describe('events that one is asked to take part in', () => {
    const show = (events: Schemas['AskedEvent'][], answer: { status?: number; body?: unknown } = { status: 204 }) => {
        const sent = fakeServer(() => answer);
        const { wrapper } = withQueries();
        render(<AskedEvents asked={events} />, { wrapper });
        return () => sent.map(({ method, path, body }) => [method, path, body]);
    };

    test('each says what, when, where and by whom, and leads to it', () => {
        show([asked, { ...asked, id: 8, title: 'Rowing', occurrence: '2026-11-04T08:00:00Z', place: '', start: '2026-11-04T08:00', end: '2026-11-04T09:00', times: 2, by: '' }, { ...asked, id: 9, title: 'Regatta', allDay: true, start: '2026-12-05', end: '2026-12-07', times: 31 }]);
        const rows = screen.getAllByRole('listitem');
        expect(rows[0]?.textContent).toContain('Tuesday 3 November, 9:00–10:30, Slip');
        expect(rows[0]?.textContent).toContain('asked by Ada Quill, Slipway');
        expect(rows[1]?.textContent).toContain('and one more time within a year · Slipway');
        expect(rows[2]?.textContent).toContain('and 30 more times within a year');
        expect(screen.getByRole('link', { name: 'Haul out' }).getAttribute('href')).toBe('/?{"calendar":"slipway","date":"2026-11-03","event":7}');
        expect(screen.getByRole('link', { name: 'Rowing' }).getAttribute('href')).toContain('"occurrence":"2026-11-04T08:00:00Z"');
    });

    test('is answered where it stands', async () => {
        const sent = show([asked, { ...asked, id: 8, title: 'Rowing' }]);
        fireEvent.click(within(screen.getByRole('group', { name: 'Whether you take part in Rowing' })).getByRole('button', { name: 'perhaps' }));
        await waitFor(() => expect(sent()).toEqual([['PUT', '/events/8/answer', { answer: 'tentative' }]]));
    });

    test('can be answered again where an answer did not arrive', async () => {
        const sent = show([asked], refused(503, 'Too much at once.'));
        const come = screen.getByRole<HTMLButtonElement>('button', { name: 'I come' });
        fireEvent.click(come);
        await waitFor(() => expect(sent()).toHaveLength(1));
        await waitFor(() => expect(come.disabled).toBe(false));
    });
});
