import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { COLOURS } from '@/api/generated/words';
import { SavedCheckField } from '@/components/SavedCheckField';
import { CategoriesPanel } from '@/features/calendars/CategoriesPanel';
import { fakeServer, withQueries } from './server';

afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
});

const tick = () => screen.getByRole<HTMLInputElement>('checkbox');

test('a tick shows at once, and stays when it is told so', async () => {
    let saved: () => void = () => undefined;
    const save = vi.fn(() => new Promise<boolean>((resolve) => (saved = () => resolve(true))));
    const { rerender } = render(<SavedCheckField label="closes its days" checked={false} take={save} />);
    fireEvent.click(tick());
    expect(tick().checked).toBe(true);
    expect(save).toHaveBeenCalledWith(true);
    saved();
    await Promise.resolve();
    expect(tick().checked).toBe(true);
    rerender(<SavedCheckField label="closes its days" checked take={save} />);
    expect(tick().checked).toBe(true);
    // What is told later holds: somebody else has taken it off again.
    rerender(<SavedCheckField label="closes its days" checked={false} take={save} />);
    expect(tick().checked).toBe(false);
    rerender(<SavedCheckField label="closes its days" checked take={save} />);
    expect(tick().checked).toBe(true);
});

test('a tick that could not be saved goes back', async () => {
    render(<SavedCheckField label="closes its days" checked={false} take={() => Promise.resolve(false)} />);
    fireEvent.click(tick());
    await waitFor(() => expect(tick().checked).toBe(false));
});

test('a new category begins with a colour that no other has, and may have another or none', async () => {
    const has = (colour: string, id: number) => ({ id, name: `Category ${id}`, calendar: null, colour, closesDay: false });
    const asked = fakeServer(({ method }) => (method === 'POST' ? { status: 201, body: has('sea', 9) } : { body: [has(COLOURS[0] ?? '', 1), has(COLOURS[2] ?? '', 2)] }));
    const { wrapper } = withQueries();
    render(<CategoriesPanel calendar={null} />, { wrapper });
    await screen.findByLabelText('Name of Category 1');
    const colour = screen.getByLabelText<HTMLSelectElement>('Colour of the new category');
    expect(colour.value).toBe(COLOURS[1]);
    fireEvent.change(screen.getByLabelText('A new category'), { target: { value: 'Launch' } });
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    await waitFor(() => expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({ name: 'Launch', calendar: null, colour: COLOURS[1] }));
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('A new category').value).toBe(''));
    fireEvent.change(colour, { target: { value: '' } });
    fireEvent.change(screen.getByLabelText('A new category'), { target: { value: 'Plain' } });
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    await waitFor(() => expect(asked.filter(({ method }) => method === 'POST')[1]?.body).toEqual({ name: 'Plain', calendar: null, colour: null }));
});
