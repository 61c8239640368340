import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState, type FormEvent, type ReactNode } from 'react';
import type { Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { ChoiceField, TextField } from '@/components/Field';
import { Scrolling } from '@/components/Scrolling';
import { useTicked } from '@/components/useTicked';
import { formatWhen, otherYear } from '@/time/dates';
import { useCalendars, type Calendar } from '@/features/calendars/useCalendars';
import { FieldChange } from '@/features/history/FieldChange';
import { ColumnFields } from './ColumnFields';
import { GoneEvents } from './GoneEvents';
import { takesIn } from './takesIn';
import { PreviewHead } from './PreviewHead';
import type { Edit, Preview, Row } from './useImport';
import { verdictWords } from './verdictWords';

type Choice = Partial<Omit<Schemas['ImportInput'], 'edits'>>;

type Props = {
    preview: Preview;
    /** Into which it is brought. */
    calendar: Calendar;
    actions: ReactNode;
    isPutting: boolean;
    onEdit: (edit: Edit) => Promise<boolean>;
    onChoose: (choice: Choice) => Promise<boolean>;
};

const KINDS: Record<Preview['kind'], string> = { calendar: 'a calendar file', table: 'a table', page: 'a page', text: 'a text' };

/** What was opened before it was read as a page, by how its name ends. */
const OPENED: Partial<Record<string, string>> = { xlsx: 'a spreadsheet', xlsm: 'a spreadsheet', ods: 'a spreadsheet', docx: 'a document', docm: 'a document' };

const ORDERS = { day: 'day first: 3/9 is 3 September', month: 'month first: 3/9 is 9 March' };

/** A row before it is measured, in pixels. */
const HEIGHT = 64;

/** Event by event, what was understood of a document: each can be put right or left out before anything is changed. */
export function DocumentPreview({ preview, calendar, actions, isPutting, onEdit, onChoose }: Props) {
    const calendars = useCalendars().data ?? [];
    const { rows, skipped, skippedCount, order } = preview;
    const scroller = useRef<HTMLDivElement>(null);
    // eslint-disable-next-line react-hooks/incompatible-library -- what it returns is used here alone
    const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => scroller.current, estimateSize: () => HEIGHT, overscan: 8 });
    const leftOut = rows.filter(({ verdict }) => verdict === 'leftOut').length;
    const doubtful = rows.filter(({ doubts, verdict }) => doubts.length > 0 && verdict !== 'leftOut').length;
    return (
        <section aria-label="Preview of the import" aria-busy={isPutting} className="w-full border border-ink bg-sheet">
            <PreviewHead
                preview={preview}
                kind={OPENED[preview.fileName.split('.').at(-1)?.toLowerCase() ?? ''] ?? KINDS[preview.kind]}
                more={
                    <>
                        {leftOut > 0 && `, ${leftOut} left out`}
                        {doubtful > 0 && <b className="font-semibold text-pin-ink">, {doubtful} to look at</b>}
                    </>
                }
                actions={actions}
            />
            <div className="border-b border-line p-3">
                <ChoiceField
                    label="Dates in figures"
                    className="sm:w-80"
                    hint={order === 'unknown' ? 'It does not tell: both could be meant. Read as day first until you choose.' : undefined}
                    value={order === 'month' ? 'month' : 'day'}
                    choices={ORDERS}
                    onChange={(chosen) => void onChoose({ order: chosen })}
                />
            </div>
            {preview.columns.length > 0 && <ColumnFields columns={preview.columns} disabled={isPutting} onChoose={(columns) => onChoose({ columns })} />}
            <GoneEvents preview={preview} disabled={isPutting} onChoose={(gone) => onChoose({ gone })} />
            <Scrolling as="div" ref={scroller} className="max-h-112 overflow-auto" aria-label="Events of the document">
                <ul className="relative" style={{ height: virtual.getTotalSize() }}>
                    {virtual.getVirtualItems().map(({ index, start }) => {
                        const row = rows[index];
                        return row === undefined ? null : (
                            <li key={row.row ?? index} data-index={index} ref={virtual.measureElement} className="absolute inset-x-0 top-0" style={{ transform: `translateY(${start}px)` }}>
                                <DocumentRow row={row} into={calendar} calendars={calendars} disabled={isPutting} onEdit={onEdit} />
                            </li>
                        );
                    })}
                </ul>
            </Scrolling>
            {skippedCount > 0 && (
                <details className="border-t border-line p-3">
                    <summary className="cursor-pointer text-soft hover:text-ink">{skippedCount === 1 ? 'One row is no event' : `${skippedCount} rows are no events`}</summary>
                    <ul className="mt-2">
                        {skipped.map((each) => (
                            <li key={each.line}>
                                <b className="font-semibold">Line {each.line}</b> {each.said} <span className="text-soft">{each.reason}</span>
                            </li>
                        ))}
                    </ul>
                </details>
            )}
        </section>
    );
}

type RowProps = { row: Row; into: Calendar; calendars: readonly Calendar[]; disabled: boolean; onEdit: (edit: Edit) => Promise<boolean> };

function DocumentRow({ row, into, calendars, disabled, onEdit }: RowProps) {
    const [open, setOpen] = useState(false);
    const number = row.row ?? 0;
    const isOut = row.verdict === 'leftOut';
    const ticked = useTicked(!isOut, (wanted) => onEdit({ row: number, leftOut: !wanted }));
    return (
        <div className={`border-b border-hair px-3 py-1.5 ${isOut || row.verdict === 'unchanged' ? 'text-soft' : ''}`}>
            <div className="flex items-start gap-2.5">
                <input type="checkbox" className="mt-1 size-4 shrink-0 accent-(--ink)" aria-label={`Bring in ${row.title}`} disabled={disabled} {...ticked} />
                <div className="min-w-0 flex-1">
                    <p className="[overflow-wrap:anywhere]">
                        <b className="font-semibold">{row.title}</b> <i>{verdictWords[row.verdict]}</i>
                    </p>
                    <p>
                        {formatWhen(row)}
                        {otherYear(row.start)}
                        {row.place !== '' && `, ${row.place}`}
                        {row.calendar !== null && (
                            <span className="font-semibold">
                                {' '}
                                on {calendars.find(({ slug }) => slug === row.calendar)?.name ?? row.calendar}
                            </span>
                        )}
                    </p>
                    {row.categories.length > 0 && <p>{row.categories.map((name) => `#${name}${row.newCategories.includes(name) ? ' (new here)' : ''}`).join(' ')}</p>}
                    {row.people.length > 0 && <p>With {row.people.join(', ')}</p>}
                    {row.unknown.length > 0 && <p className="text-soft">Not known here, or several are called so: {row.unknown.join(', ')}</p>}
                    {row.changes.map((change) => (
                        <p key={change.field} className="text-soft [overflow-wrap:anywhere]">
                            <FieldChange change={change} />
                        </p>
                    ))}
                    {row.doubts.map((doubt) => (
                        <p key={doubt} role="note" className="font-semibold text-pin-ink">
                            {doubt}
                        </p>
                    ))}
                    <p className="truncate text-xs text-soft" title={row.said}>
                        Line {row.line}: {row.said}
                    </p>
                </div>
                <Button look="quiet" aria-expanded={open} aria-label={`Put right: ${row.title}`} onClick={() => setOpen(!open)}>
                    Put right
                </Button>
            </div>
            {open && (
                <RowForm
                    row={row}
                    into={into}
                    calendars={calendars}
                    onDone={(edit) => {
                        setOpen(false);
                        if (edit !== null) void onEdit(edit);
                    }}
                />
            )}
        </div>
    );
}

function RowForm({ row, into, calendars, onDone }: { row: Row; into: Calendar; calendars: readonly Calendar[]; onDone: (edit: Edit | null) => void }) {
    const here = row.calendar ?? into.slug;
    const [calendar, setCalendar] = useState(here);
    const [title, setTitle] = useState(row.title);
    const [when, setWhen] = useState('');
    const [place, setPlace] = useState(row.place);
    const saidCategories = row.categories.join('; ');
    const [category, setCategory] = useState(saidCategories);
    const save = (submitted: FormEvent) => {
        submitted.preventDefault();
        onDone({ row: row.row ?? 0, ...(title.trim() === row.title ? {} : { title }), ...(when.trim() === '' ? {} : { when }), ...(place === row.place ? {} : { place }), ...(category === saidCategories ? {} : { category }), ...(calendar === here ? {} : { calendar }) });
    };
    return (
        <form onSubmit={save} className="mt-2 ml-6.5 grid gap-2 sm:grid-cols-2">
            <TextField label="Title" value={title} onChange={(typed) => setTitle(typed.target.value)} autoFocus />
            <TextField label="When, in words" placeholder="Wed 23 Sep 10–11" value={when} onChange={(typed) => setWhen(typed.target.value)} />
            <TextField label="Place" value={place} onChange={(typed) => setPlace(typed.target.value)} />
            <TextField label="Categories, between semicolons" value={category} onChange={(typed) => setCategory(typed.target.value)} />
            <ChoiceField label="On" value={calendar} choices={Object.fromEntries(calendars.filter(takesIn).map(({ slug, name }) => [slug, name]))} onChange={setCalendar} />
            <div className="flex gap-1.5">
                <Button type="submit" look="primary">
                    Save
                </Button>
                <Button onClick={() => onDone(null)}>Cancel</Button>
            </div>
        </form>
    );
}
