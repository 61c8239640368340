import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { FeedLinks } from '@/features/feeds/FeedLinks';
import { FeedRow } from '@/features/feeds/FeedRow';
import { OnMyDevices } from '@/features/feeds/OnMyDevices';
import type { Feed } from '@/features/feeds/useFeeds';
import { feedWords } from '@/features/feeds/words';
import { fakeServer, withQueries, type Asked } from './server';

vi.mock('@tanstack/react-router', () => ({}));

afterEach(cleanup);

const made: Feed = {
    id: 6, name: 'My phone', of: 'list', slug: '', ofName: 'My list', personal: true, mine: true, detail: 'full', weeksBack: 4, reminderMinutes: null, conditions: [],
    url: 'https://rota.example/feeds/secret.ics', madeBy: 'Ada Quill', madeAt: '2026-11-27T08:00:00Z', lastFetchedAt: null, fetchedBy: null,
};

function serve(feeds: Feed[]) {
    const asked = fakeServer(({ method, path }) => (method === 'GET' ? { body: path === '/feeds' ? feeds : [] } : { status: 201, body: made }));
    const changes = () => asked.filter(({ method }) => method !== 'GET').map(({ method, path, body }: Asked) => [method, path, body]);
    return { wrapper: withQueries().wrapper, changes };
}

test('what a link gives is said in a line', () => {
    const words = (part: Partial<Feed>) => feedWords({ ...made, ...part });
    expect([words({}), words({ weeksBack: null }), words({ weeksBack: 0, reminderMinutes: 60 }), words({ weeksBack: 1, detail: 'busy', reminderMinutes: 45 }), words({ weeksBack: null, conditions: [{ about: 'words', words: ['slip'] }] })]).toEqual([
        'everything, 4 weeks back', 'everything', 'everything, from today on, reminds an hour before', 'busy times, one week back, reminds 45 minutes before', 'everything, what it asks for alone',
    ]);
});

describe('on one’s own devices', () => {
    test('it is had with one click, and another beside it', async () => {
        const { wrapper, changes } = serve([]);
        render(<OnMyDevices of="calendar" slug="slip" name="Slipway" />, { wrapper });
        const button = await screen.findByRole('button', { name: 'Have it on my devices' });
        await waitFor(() => expect(button.hasAttribute('disabled')).toBe(false));
        fireEvent.click(button);
        await waitFor(() => expect(changes()).toEqual([['POST', '/feeds', { name: 'My devices: Slipway', detail: 'full', weeksBack: 4, calendar: 'slip' }]]));
    });

    test('of a list nothing is named, and links of others or of something else are not among one’s own', async () => {
        const { wrapper, changes } = serve([made, { ...made, id: 7, name: 'Wall', personal: false }, { ...made, id: 8, name: 'Slip', of: 'calendar', slug: 'slip' }]);
        render(<OnMyDevices of="list" slug="" name="my list" />, { wrapper });
        expect(await screen.findByText('My phone')).toBeDefined();
        expect([screen.queryByText('Wall'), screen.queryByText('Slip')]).toEqual([null, null]);
        fireEvent.click(screen.getByRole('button', { name: 'Another link' }));
        await waitFor(() => expect(changes()).toEqual([['POST', '/feeds', { name: 'My devices: my list (2)', detail: 'full', weeksBack: 4 }]]));
    });
});

describe('a link', () => {
    test('has its address to copy, to follow and to point a camera at', () => {
        const { wrapper } = serve([]);
        render(<FeedRow feed={made} />, { wrapper });
        expect(screen.getByLabelText<HTMLInputElement>('Address of My phone').value).toBe('https://rota.example/feeds/secret.ics');
        expect(screen.getByRole('link', { name: 'Follow it on this device' }).getAttribute('href')).toBe('webcal://rota.example/feeds/secret.ics');
        expect(screen.queryByTitle('The address of My phone, for a camera')).toBeNull();
        fireEvent.click(screen.getByRole('button', { name: 'On a phone' }));
        expect(screen.getByTitle('The address of My phone, for a camera')).toBeDefined();
    });

    test('of somebody else has none, and is not changed; one whose address was never kept says so', () => {
        const { wrapper } = serve([]);
        const { rerender } = render(<FeedRow feed={{ ...made, mine: false, url: null, madeBy: 'Ben Oar', fetchedBy: 'a browser', lastFetchedAt: '2026-11-27T08:00:00Z' }} />, { wrapper });
        expect(screen.queryByRole('button', { name: /^Change/ })).toBeNull();
        expect(screen.getByText(/made by Ben Oar for themselves/)).toBeDefined();
        expect(screen.getByText(/last fetched .*, by a browser$/)).toBeDefined();
        rerender(<FeedRow feed={{ ...made, url: null }} />);
        expect(screen.getByText(/cannot be shown again/)).toBeDefined();
    });

    test('is changed at its address; what it has that is not offered stays', async () => {
        const { wrapper, changes } = serve([]);
        render(<FeedRow feed={{ ...made, weeksBack: 9 }} />, { wrapper });
        fireEvent.click(screen.getByRole('button', { name: 'Change the link for My phone' }));
        expect(screen.getByLabelText<HTMLSelectElement>('How far back').value).toBe('9');
        fireEvent.change(screen.getByLabelText('The device reminds'), { target: { value: '30' } });
        fireEvent.click(screen.getByRole('button', { name: 'Save' }));
        await waitFor(() => expect(changes()).toEqual([['PUT', '/feeds/6', { name: 'My phone', detail: 'full', weeksBack: 9, reminderMinutes: 30, conditions: [] }]]));
    });
});

test('a link for a place is made by those who manage what it is of', async () => {
    const { wrapper, changes } = serve([]);
    render(<FeedLinks of="overlay" slug="term" />, { wrapper });
    fireEvent.change(screen.getByLabelText('For whom or what place'), { target: { value: 'Boat hall' } });
    fireEvent.click(screen.getByRole('button', { name: 'Make a link' }));
    await waitFor(() => expect(changes()).toEqual([['POST', '/overlays/term/feeds', { name: 'Boat hall', detail: 'full' }]]));
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('For whom or what place').value).toBe(''));
});
