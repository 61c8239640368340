import { cleanup, createEvent, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { BringInHost } from '@/features/imports/BringInHost';
import { madeCalendar } from './made';
import { fakeServer, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({ useNavigate: () => () => undefined, useLocation: () => undefined }));
afterEach(cleanup);

const CALENDARS = [madeCalendar({ slug: 'loft', name: 'Loft' }), madeCalendar({ slug: 'slip', name: 'Slipway' })];

/** Lets files go over the window, as a browser tells it. */
function drop(...names: string[]): void {
    const event = createEvent.drop(window);
    Object.defineProperty(event, 'dataTransfer', { value: { types: ['Files'], files: names.map((name) => new File(['Date;What'], name)) } });
    fireEvent(window, event);
}

test('of several files that are dropped each is looked at by itself, on the calendar that was chosen, or left out', async () => {
    fakeServer(() => ({ body: CALENDARS }));
    render(<BringInHost />, { wrapper: withQueries().wrapper });
    drop('one.csv', 'two.docx', 'three.csv');
    const dialog = within(await screen.findByRole('dialog', {}, { timeout: 5000 }));
    fireEvent.change(await dialog.findByLabelText('Into'), { target: { value: 'slip' } });
    expect(dialog.getByText('First one.csv; after it two.docx, three.csv.')).toBeDefined();
    fireEvent.click(dialog.getByRole('button', { name: 'Leave this one out' }));
    expect(await screen.findByText('First two.docx; after it three.csv.')).toBeDefined();
    expect(screen.getByLabelText<HTMLSelectElement>('Into').value).toBe('slip');
    fireEvent.click(screen.getByRole('button', { name: 'Leave this one out' }));
    // The last is one alone: Cancel leaves it.
    expect(screen.queryByRole('button', { name: 'Leave this one out' })).toBeNull();
    expect(screen.getByRole('dialog')).toBeDefined();
});

test('one file that is dropped is looked at with nothing said of others', async () => {
    fakeServer(() => ({ body: CALENDARS }));
    render(<BringInHost />, { wrapper: withQueries().wrapper });
    drop('one.csv');
    expect(await screen.findByLabelText('Into')).toBeDefined();
    expect(screen.queryByText(/after it/)).toBeNull();
});
