import { cleanup, render, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { Reminded } from '@/features/reminders/Reminded';
import { fakeServer, withQueries } from './server';

const told = vi.hoisted(() => vi.fn());
const went = vi.hoisted(() => vi.fn());
vi.mock('@/toast/toast', () => ({ toast: told }));
vi.mock('@tanstack/react-router', () => ({ useNavigate: () => went }));

afterEach(cleanup);
beforeEach(() => {
    window.localStorage.clear();
    told.mockClear();
});

const reminder: Schemas['ReminderNow'] = { id: 4, event: 7, occurrence: null, calendar: 'slip', title: 'Oar test', start: '2026-11-03T14:00', end: '2026-11-03T15:00', allDay: false, place: 'Slip 2', leave: null };

function open(reminders: Schemas['ReminderNow'][]) {
    const asked = fakeServer(() => ({ body: reminders }));
    const { wrapper } = withQueries();
    render(<Reminded />, { wrapper });
    return asked;
}

test('one is told of each once, whichever window is open, and gets to the event', async () => {
    open([{ ...reminder, id: 5, title: 'Haul out', place: '' }, reminder]);
    await waitFor(() => expect(told).toHaveBeenCalledTimes(2));
    expect(told.mock.calls.map(([words]) => words as string)).toEqual(['Reminder: Haul out, Tuesday 3 November, 14:00–15:00', 'Reminder: Oar test, Tuesday 3 November, 14:00–15:00, Slip 2']);
    (told.mock.calls[1]?.[1] as { action: { onClick: () => void } }).action.onClick();
    expect(went).toHaveBeenCalledWith({ to: '/', search: { calendar: 'slip', date: '2026-11-03', event: 7 } });
    cleanup();
    const asked = open([{ ...reminder, id: 6, title: 'Another' }, { ...reminder, id: 5 }, reminder]);
    await waitFor(() => expect(told).toHaveBeenCalledTimes(3));
    expect(told.mock.calls[2]?.[0]).toBe('Reminder: Another, Tuesday 3 November, 14:00–15:00, Slip 2');
    expect(asked.map(({ path }) => path)).toEqual(['/reminders']);
});
