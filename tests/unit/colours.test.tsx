import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { queryKeys } from '@/api/queryKeys';
import { ColourWhatSays } from '@/features/key/ColourWhatSays';
import { KeyColours } from '@/features/key/KeyColours';
import type { Overlay } from '@/features/overlays/useOverlays';
import { madePerson } from './made';
import { fakeServer, withQueries } from './server';

afterEach(cleanup);

const layer = { name: 'Slip', colour: 'sea', mark: 'disc', pattern: 'plain', takes: 'chosen', group: null, calendars: ['slip'], conditions: [] } as const;
const overlay = { slug: 'term', name: 'Term', everyLayer: false, layers: [layer], colouredBy: 'layer' } as unknown as Overlay;

test('what says some words is counted while they are written, and laid in a colour that no layer has', async () => {
    const laid = vi.fn();
    const { client, wrapper } = withQueries();
    client.setQueryData(queryKeys.session, { person: madePerson(), demo: null });
    const asked = fakeServer(() => ({ body: [{ count: 3, example: null }, { count: 9, example: null }] }));
    render(<ColourWhatSays overlay={overlay} onLay={laid} />, { wrapper });
    fireEvent.click(screen.getByRole('button', { name: 'Colour what says…' }));
    fireEvent.click(screen.getByRole('button', { name: 'Lay it on top' }));
    expect(screen.getByText('Write at least one word.')).toBeTruthy();
    expect(laid).not.toHaveBeenCalled();
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'oar, mast step\n\n, ' } });
    await waitFor(() => expect(screen.getByText('It takes 3 in the coming half year.')).toBeTruthy());
    const expected = { name: 'oar, mast step', colour: 'brick', mark: 'star', pattern: 'plain', takes: 'overlay', group: null, calendars: [], conditions: [{ about: 'words', words: ['oar', 'mast step'], not: false }] };
    expect(asked.at(-1)?.body).toMatchObject({ layers: [expected, layer], everyLayer: false });
    fireEvent.click(screen.getByRole('button', { name: 'Lay it on top' }));
    expect(laid).toHaveBeenCalledExactlyOnceWith(expected);
    expect(screen.queryByRole('textbox')).toBeNull();
});

test('colours are named; whoever may not decide what they stand for is not asked', () => {
    const changed = vi.fn();
    const colours = [{ name: 'Launch', colour: 'rose' as const }];
    const { rerender } = render(<KeyColours colours={colours} by={undefined} onChange={changed} />);
    expect(screen.getByText('Launch')).toBeTruthy();
    expect(screen.queryByRole('combobox')).toBeNull();
    rerender(<KeyColours colours={[]} by="person" onChange={changed} />);
    expect(screen.getByText('Nobody is responsible for an event in view.')).toBeTruthy();
    fireEvent.change(screen.getByRole('combobox'), { target: { value: 'category' } });
    expect(changed).toHaveBeenCalledExactlyOnceWith('category');
});
