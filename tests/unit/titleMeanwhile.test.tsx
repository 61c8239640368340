import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, expect, test } from 'vitest';
import { TitleMeanwhile } from '@/features/rota/TitleMeanwhile';
import { DraftContext, useDraft, type Draft } from '@/features/sheet/RotaContext';

afterEach(cleanup);

function Told() {
    return <output>{useDraft().draft?.title}</output>;
}

function Page({ begun }: { begun: Draft | null }) {
    const [draft, setDraft] = useState(begun);
    return (
        <DraftContext.Provider value={{ draft, setDraft }}>
            <TitleMeanwhile />
            <Told />
        </DraftContext.Provider>
    );
}

test('what is typed before the form has come is in the event that is begun', () => {
    render(<Page begun={{ begun: 1, calendar: 'slip', title: 'By ', allDay: true, start: '2026-11-26', end: '2026-11-27' }} />);
    const title = screen.getByLabelText<HTMLInputElement>('Title');
    expect(document.activeElement).toBe(title);
    fireEvent.change(title, { target: { value: 'By hand' } });
    expect(screen.getByRole('status').textContent).toBe('By hand');
});

test('where an event is opened there is nothing to type into', () => {
    render(<Page begun={null} />);
    expect(screen.queryByLabelText('Title')).toBeNull();
});
