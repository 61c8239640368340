import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { queryKeys } from '@/api/queryKeys';
import { changesOf, inputOf, valuesOf, type EventValues } from '@/features/events/eventValues';
import { JoinNotice } from '@/features/meetings/JoinNotice';
import { MeetingField } from '@/features/events/MeetingField';
import { madeEvent, refused } from './made';
import { fakeServer, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({ Link: ({ children, search }: { children: ReactNode; search: unknown }) => <a href={`/?${JSON.stringify(search)}`}>{children}</a> }));

afterEach(cleanup);

const meeting = { event: 7, occurrence: null, title: 'Staff meeting', calendar: 'slip', start: '2026-11-02T10:30', url: 'https://meet.example/abc', mine: true };

test('what one takes part in is joined by one click, what one only sees is not offered', async () => {
    fakeServer(() => ({ body: [meeting, { ...meeting, event: 8, title: 'Another', mine: false }] }));
    const { wrapper } = withQueries();
    render(<JoinNotice />, { wrapper });
    const link = await screen.findByRole('link', { name: 'Join: Staff meeting' });
    expect(link.getAttribute('href')).toBe('https://meet.example/abc');
    expect(link.getAttribute('rel')).toBe('noreferrer');
    expect(screen.getAllByRole('listitem').map((each) => each.textContent)).toEqual(['Staff meeting, 10:30, onlineJoin']);
});

test('a form has the link of the event, sends another, and none', () => {
    const event = madeEvent({ links: [{ kind: 'conference', address: 'tel:+44', label: 'Telephone' }, { kind: 'conference', address: 'https://meet.example/abc', label: 'Join the meeting' }] });
    const values = valuesOf(event);
    expect(values.meeting).toBe('https://meet.example/abc');
    const before = inputOf(values, false);
    expect(changesOf(before, inputOf({ ...values, title: 'Other' }, false))).toEqual({ title: 'Other' });
    expect(changesOf(before, inputOf({ ...values, meeting: '' }, false))).toEqual({ meeting: null });
});

describe('the field of a form', () => {
    function Form({ meeting: begun }: { meeting: string }) {
        const form = useForm<EventValues>({ defaultValues: { meeting: begun } });
        const [value] = useWatch({ control: form.control, name: ['meeting'] });
        return (
            <FormProvider {...form}>
                <MeetingField problem={null} />
                <output>{value}</output>
            </FormProvider>
        );
    }
    const show = (begun: string, makes: boolean, answer: Parameters<typeof fakeServer>[0]) => {
        fakeServer(answer);
        const { wrapper, client } = withQueries();
        client.setQueryData(queryKeys.session, { organisation: { name: '', firstMonth: null, terms: false, alternates: false, meetings: makes } });
        return render(<Form meeting={begun} />, { wrapper });
    };
    const value = () => screen.getByRole('status').textContent;

    test('one click makes a link, another takes it away', async () => {
        show('', true, () => ({ status: 201, body: { url: 'https://meet.example/new' } }));
        fireEvent.click(screen.getByRole('button', { name: 'Meet online' }));
        await waitFor(() => expect(value()).toBe('https://meet.example/new'));
        expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Meets online at' }).value).toBe('https://meet.example/new');
        fireEvent.click(screen.getByRole('button', { name: 'Do not meet online' }));
        expect(value()).toBe('');
    });

    test('where none is to be had it says why', async () => {
        show('', true, () => refused(409, 'The service that makes links of meetings answered with none.'));
        fireEvent.click(screen.getByRole('button', { name: 'Meet online' }));
        await screen.findByText('The service that makes links of meetings answered with none.');
        expect(value()).toBe('');
    });

    test('where the organisation makes none there is nothing to click, and what an event has can be changed', () => {
        const { container, unmount } = show('', false, () => ({ body: null }));
        expect(container.querySelector('button')).toBeNull();
        unmount();
        show('https://meet.example/abc', false, () => ({ body: null }));
        expect(screen.getByRole('textbox', { name: 'Meets online at' })).not.toBeNull();
    });
});
