import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Schemas } from '@/api/client';
import { ImportPanel } from '@/features/imports/ImportPanel';
import { madeCalendar } from './made';
import { fakeServer, withQueries } from './server';

vi.mock('@tanstack/react-router', () => ({ useNavigate: () => () => undefined }));
// Rows are drawn where they are in sight, which nothing is without a layout.
beforeEach(() => {
    vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(600);
    vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockReturnValue(600);
});
afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
});

function madeRow(more: Partial<Schemas['ImportRow']> = {}): Schemas['ImportRow'] {
    return { verdict: 'added', title: 'Splicing', start: '2026-12-15T10:00', end: '2026-12-15T11:00', allDay: false, timezone: 'Europe/London', repeats: false, place: 'Long loft', row: 0, line: 2, said: 'Tuesday | 15/12/2026 | Splicing', doubts: [], changes: [], calendar: null, categories: [], newCategories: [], people: [], unknown: [], ...more };
}

function madePreview(more: Partial<Schemas['ImportPreview']> = {}): Schemas['ImportPreview'] {
    return {
        id: 4, fileName: 'What was pasted', kind: 'table', order: 'day', counts: { added: 2, changed: 0, unchanged: 0, removed: 0 },
        rows: [madeRow(), madeRow({ row: 1, line: 3, title: 'Whipping', start: '2027-01-07', end: '2027-01-08', allDay: true, place: '', doubts: ['Thu 7 January 2027 is no Wednesday.'] })],
        problems: [], problemCount: 0, skipped: [{ line: 4, said: 'Total | 2', reason: 'It adds others up.' }], skippedCount: 1,
        columns: [], gone: [], goneCount: 0, takesGone: false, ...more,
    };
}

function show(answer: (asked: { method: string; body: unknown }) => { status?: number; body?: unknown }) {
    const sent = fakeServer((asked) => answer(asked));
    render(<ImportPanel calendar={madeCalendar()} onAddress={() => undefined} />, { wrapper: withQueries().wrapper });
    return () => sent.map(({ method, path, body }) => [method, path, body]);
}

async function paste() {
    fireEvent.change(screen.getByLabelText('Or paste a table or a text with dates'), { target: { value: 'Date\tWhat' } });
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }));
    return screen.findByRole('region', { name: 'Preview of the import' });
}

test('what was pasted is told event by event: what, when, where from, and what is to be looked at', async () => {
    show(() => ({ status: 201, body: madePreview() }));
    const preview = within(await paste());
    expect(preview.getByText(/2 new, 0 changed, 0 already there/).textContent).toContain('1 to look at');
    const [first, second] = preview.getAllByRole('listitem');
    expect(first?.textContent).toContain('Splicing newTuesday 15 December, 10:00–11:00, Long loftLine 2: Tuesday | 15/12/2026 | Splicing');
    expect(second?.textContent).toContain('Thu 7 January 2027 is no Wednesday.');
    expect(preview.getByText('It adds others up.')).not.toBeNull();
    expect(preview.getByLabelText<HTMLSelectElement>('Dates in figures').value).toBe('day');
});

test('a row is put right beside what was put right before, and left out', async () => {
    const sent = show(({ method }) => ({ status: method === 'POST' ? 201 : 200, body: madePreview() }));
    const preview = within(await paste());
    fireEvent.click(preview.getByRole('button', { name: 'Put right: Whipping' }));
    fireEvent.change(preview.getByLabelText('When, in words'), { target: { value: 'Wed 6 Jan' } });
    fireEvent.click(preview.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(sent().at(-1)).toEqual(['PUT', '/imports/4', { edits: [{ row: 1, when: 'Wed 6 Jan' }], order: null }]));
    await waitFor(() => expect(preview.getByRole<HTMLInputElement>('checkbox', { name: 'Bring in Whipping' }).disabled).toBe(false));
    fireEvent.click(preview.getByRole('checkbox', { name: 'Bring in Whipping' }));
    await waitFor(() => expect(sent().at(-1)).toEqual(['PUT', '/imports/4', { edits: [{ row: 1, when: 'Wed 6 Jan', leftOut: true }], order: null }]));
    await waitFor(() => expect(preview.getByLabelText<HTMLSelectElement>('Dates in figures').disabled).toBe(false));
    fireEvent.change(preview.getByLabelText('Dates in figures'), { target: { value: 'month' } });
    await waitFor(() => expect(sent().at(-1)).toEqual(['PUT', '/imports/4', { edits: [{ row: 1, when: 'Wed 6 Jan', leftOut: true }], order: 'month' }]));
});

test('where it does not tell which comes first it is said, and a row that is left out stays to be seen', async () => {
    show(() => ({ status: 201, body: madePreview({ order: 'unknown', rows: [madeRow({ verdict: 'leftOut', doubts: ['Look'] }), madeRow({ row: 1 })] }) }));
    const preview = within(await paste());
    expect(preview.getByText(/It does not tell: both could be meant/)).not.toBeNull();
    expect(preview.getByText(/2 new/).textContent).toContain('1 left out');
    expect(preview.getByText(/2 new/).textContent).not.toContain('to look at');
    expect(preview.getAllByRole<HTMLInputElement>('checkbox').map(({ checked }) => checked)).toEqual([false, true]);
});

test('of what is there already it is told what would be another', async () => {
    show(() => ({ status: 201, body: madePreview({ rows: [madeRow({ verdict: 'changed', changes: [{ of: null, field: 'starts', before: '2026-12-15 10:00', after: '2026-12-16 10:00' }, { of: null, field: 'place', before: '', after: 'Hall' }] })] }) }));
    const preview = within(await paste());
    expect(preview.getAllByRole('listitem')[0]?.textContent).toContain('starts: 2026-12-15 10:00 → 2026-12-16 10:00place: nothing → Hall');
});

test('what is refused is said, and what was pasted stays', async () => {
    show(() => ({ status: 422, body: { type: 'about:blank', title: 'Something is not right yet.', status: 422, detail: '', errors: [{ field: 'file', message: 'No event was found in it.' }] } }));
    fireEvent.change(screen.getByLabelText('Or paste a table or a text with dates'), { target: { value: 'nothing' } });
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }));
    expect((await screen.findByRole('alert')).textContent).toContain('No event was found in it.');
    expect(screen.getByLabelText<HTMLTextAreaElement>('Or paste a table or a text with dates').value).toBe('nothing');
});

test('what is long is put in by itself, where one pastes it; what is short the browser pastes', () => {
    show(() => ({ status: 201, body: madePreview() }));
    const field = screen.getByLabelText<HTMLTextAreaElement>('Or paste a table or a text with dates');
    fireEvent.change(field, { target: { value: 'Dates: . Thank you' } });
    field.setSelectionRange(7, 8);
    const rows = 'Mon 7 Dec\n'.repeat(2000);
    // What is taken is not pasted by the browser as well.
    expect(fireEvent.paste(field, { clipboardData: { getData: () => rows } })).toBe(false);
    expect(field.value).toBe(`Dates: ${rows} Thank you`);
    expect(fireEvent.paste(field, { clipboardData: { getData: () => 'Mon 7 Dec' } })).toBe(true);
    expect(field.value).toBe(`Dates: ${rows} Thank you`);
});

test('a refused correction leaves what was there before to be brought in', async () => {
    const sent = show(({ method }) => (method === 'POST' ? { status: 201, body: madePreview() } : { status: 422, body: { type: 'about:blank', title: 'Something is not right yet.', status: 422, detail: '', errors: [{ field: 'edits.1.when', message: 'This is no time.' }] } }));
    const preview = within(await paste());
    fireEvent.click(preview.getByRole('button', { name: 'Put right: Whipping' }));
    fireEvent.change(preview.getByLabelText('When, in words'), { target: { value: 'nonsense' } });
    fireEvent.click(preview.getByRole('button', { name: 'Save' }));
    expect((await screen.findByRole('alert')).textContent).toContain('This is no time.');
    fireEvent.click(preview.getByRole('checkbox', { name: 'Bring in Splicing' }));
    // What was refused is not sent again.
    await waitFor(() => expect(sent().at(-1)).toEqual(['PUT', '/imports/4', { edits: [{ row: 0, leftOut: true }], order: null }]));
});

const column = (at: number, name: string, role: Schemas['ImportColumn']['role'], samples: string[] = [], isKey = false): Schemas['ImportColumn'] => ({ table: 0, column: at, name, role, isKey, samples });

test('what a column is is picked over what is in it; another that was it says nothing then', async () => {
    const columns = [column(0, 'Day', 'date', ['7 Dec']), column(1, 'Boat', 'title', ['Gig', 'Skiff']), column(2, '', null)];
    const sent = show(({ method }) => ({ status: method === 'POST' ? 201 : 200, body: madePreview({ columns }) }));
    const preview = within(await paste());
    expect(preview.getByText('What its columns are: day or days, title')).not.toBeNull();
    expect(preview.getByText('Skiff')).not.toBeNull();
    fireEvent.change(preview.getByLabelText('What column 3 is'), { target: { value: 'title' } });
    await waitFor(() =>
        expect(sent().at(-1)).toEqual(['PUT', '/imports/4', { edits: [], order: null, columns: [{ table: 0, column: 0, role: 'date', isKey: false }, { table: 0, column: 1, role: 'nothing', isKey: false }, { table: 0, column: 2, role: 'title', isKey: false }] }]),
    );
});

test('by what its rows are known when they come again is said, and ticked', async () => {
    const columns = [column(0, 'Day', 'date'), column(1, 'What', 'title'), column(2, 'Ref', null)];
    const sent = show(({ method }) => ({ status: method === 'POST' ? 201 : 200, body: madePreview({ columns: method === 'POST' ? columns : columns.map((each) => ({ ...each, isKey: each.name === 'Ref' })) }) }));
    const preview = within(await paste());
    expect(preview.getByText(/^Brought again, a row is known by its title\./)).not.toBeNull();
    fireEvent.click(preview.getByLabelText('Ref tells rows apart'));
    expect(preview.getByLabelText<HTMLInputElement>('Ref tells rows apart').checked).toBe(true);
    await waitFor(() => expect(preview.getByText('Brought again, a row is known by Ref, whatever else it says.')).not.toBeNull());
    expect((sent().at(-1)?.[2] as Schemas['ImportInput']).columns).toEqual([
        { table: 0, column: 0, role: 'date', isKey: false },
        { table: 0, column: 1, role: 'title', isKey: false },
        { table: 0, column: 2, role: 'nothing', isKey: true },
    ]);
});

test('what is gone from a new version is named, and taken away where one says so', async () => {
    const gone = [{ title: 'Tea', start: '2026-12-08', allDay: true }, { title: 'Nets', start: '2027-01-09T10:00', allDay: false }];
    const counts = { added: 0, changed: 0, unchanged: 2, removed: 2 };
    const sent = show(({ method }) => ({ status: method === 'POST' ? 201 : 200, body: method === 'POST' ? madePreview({ gone, goneCount: 2, counts: { ...counts, removed: 0 } }) : madePreview({ gone, goneCount: 2, takesGone: true, counts }) }));
    const preview = within(await paste());
    expect(preview.getByText(/Tea \(Tue 8 Dec\), Nets \(Sat 9 Jan 10:00 \(2027\)\)/)).not.toBeNull();
    expect(preview.getByRole<HTMLButtonElement>('button', { name: 'Bring it in' }).disabled).toBe(true);
    const box = preview.getByLabelText<HTMLInputElement>('Take them away');
    fireEvent.click(box);
    // It shows at once, before anything is asked.
    expect(box.checked).toBe(true);
    await waitFor(() => expect(sent().at(-1)).toEqual(['PUT', '/imports/4', { edits: [], order: null, gone: true }]));
    await waitFor(() => expect(preview.getByText(/2 to be taken away/)).not.toBeNull());
    expect(preview.getByRole<HTMLButtonElement>('button', { name: 'Bring it in' }).disabled).toBe(false);
});

test('what is pasted and is an address is handed on, and nothing is sent', () => {
    const handed: string[] = [];
    const sent = fakeServer(() => ({ status: 500 }));
    render(<ImportPanel calendar={madeCalendar()} onAddress={(address) => void handed.push(address)} />, { wrapper: withQueries().wrapper });
    fireEvent.change(screen.getByLabelText('Or paste a table or a text with dates'), { target: { value: ' https://example.org/dates \n' } });
    expect(screen.getByText('This is an address: it is looked at, and subscribed to if you like.')).not.toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }));
    expect(handed).toEqual(['https://example.org/dates']);
    expect(sent.filter(({ method }) => method !== 'GET')).toEqual([]);
});
