import { useVirtualizer } from '@tanstack/react-virtual';
import clsx from 'clsx';
import { useEffect, useMemo, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import { toast } from '@/toast/toast';
import { Failed, Loading } from '@/components/States';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useRota } from '@/features/sheet/RotaContext';
import { PLAIN } from '@/features/sheet/ItemView';
import { HOLDS } from '@/api/generated/words';
import { BulkDialog, type BulkStart } from './BulkDialog';
import { COLUMNS, pasted, pasteInto, type Row } from './columns';
import { TableBar } from './TableBar';
import { TableRow } from './TableRow';
import { useColumns } from './useColumns';
import { useNarrowing } from './useNarrowing';
import { useSelection } from './useSelection';
import { fetchWhole, useTable, type Sorting, type StatusFilter } from './useTable';

const HEIGHT = 30;

/** Where the keyboard is: on the row of an event, wherever that goes, and a column. Without it, at the place where it was. */
type Cursor = { id: number | null; row: number; column: number };

/** All events as rows: sorted, filtered, many changed at once, cells written in place. */
export function TableSheet() {
    const rota = useRota();
    const calendars = useCalendars().data;
    const [sorting, setSorting] = useState<Sorting>({ by: 'when', descending: false });
    const [status, setStatus] = useState<StatusFilter>('');
    const [shown, setShown] = useColumns();
    const hidden = useMemo(() => [...rota.hidden].sort((a, b) => a - b), [rota.hidden]);
    const asked = { through: rota.through, span: rota.span, status, hidden, sorting };
    const table = useTable(asked);
    // The server leaves out what is hidden, too; here it goes at once.
    const rows = useMemo(() => (table.data?.pages ?? []).flatMap((page) => page.rows).filter((row) => !rota.hidden.has(row.layer)), [table.data, rota.hidden]);
    const total = table.data?.pages[0]?.total ?? 0;
    const columns = useMemo(() => COLUMNS.filter((each) => shown.includes(each.key)), [shown]);
    const selection = useSelection(rows);
    const [place, setPlace] = useState<Cursor>({ id: null, row: 0, column: 1 });
    // What others add or move puts rows elsewhere: the keyboard, and what is being written, stay with the event.
    const at = place.id === null || rows[place.row]?.id === place.id ? place.row : rows.findIndex((row) => row.id === place.id);
    const cursor = { row: at === -1 ? Math.max(0, Math.min(place.row, rows.length - 1)) : at, column: place.column };
    const setCursor = (next: { row: number; column: number }) => setPlace({ ...next, id: rows[next.row]?.id ?? null });
    const [editing, setEditing] = useState<{ id: number; text: string | null } | null>(null);
    const [bulk, setBulk] = useState<BulkStart | null>(null);
    const grid = useRef<HTMLDivElement>(null);
    const scroller = useRef<HTMLDivElement>(null);
    // eslint-disable-next-line react-hooks/incompatible-library -- what it returns is used here alone
    const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => scroller.current, estimateSize: () => HEIGHT, overscan: 12 });
    const { hasNextPage, isFetchingNextPage, fetchNextPage } = table;
    const drawn = virtual.getVirtualItems();
    const lastDrawn = drawn.at(-1)?.index ?? 0;
    useEffect(() => {
        if (hasNextPage && !isFetchingNextPage && lastDrawn >= rows.length - 40) void fetchNextPage();
    }, [hasNextPage, isFetchingNextPage, fetchNextPage, lastDrawn, rows.length]);

    // Where the keyboard is to be next: taken there as soon as that cell is drawn.
    const goes = useRef(false);
    const [, draw] = useState(0);
    const focusCell = () => {
        goes.current = true;
        draw((times) => times + 1);
    };
    useEffect(() => {
        const cell = goes.current ? grid.current?.querySelector<HTMLElement>('[role=gridcell][tabindex="0"]') : null;
        if (cell == null) return;
        goes.current = false;
        cell.focus();
    });
    const moveTo = (row: number, column: number) => {
        const next = { row: Math.max(0, Math.min(rows.length - 1, row)), column: Math.max(0, Math.min(columns.length, column)) };
        setCursor(next);
        virtual.scrollToIndex(next.row);
        focusCell();
    };
    const calendarName = (slug: string) => calendars?.find((each) => each.slug === slug)?.name ?? slug;
    const edit = (text: string | null) => {
        const row = rows[cursor.row];
        const column = columns[cursor.column - 1];
        if (row === undefined || column === undefined) return;
        if (row.hold !== null) return void toast.error(HOLDS[row.hold]);
        if (!column.written) return void toast.error(`${column.name} is not written here.`);
        setCursor(cursor);
        setEditing({ id: row.id, text });
    };
    const open = (row: Row) => rota.go({ event: row.id, occurrence: row.occurrence ?? undefined });
    const onKeyDown = (event: KeyboardEvent) => {
        if (editing !== null || rows.length === 0 || !(event.target instanceof Element) || event.target.closest('[role=gridcell]') === null) return;
        const row = rows[cursor.row];
        const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 300) / HEIGHT) - 2);
        const steps: Record<string, [number, number]> = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1], PageUp: [-page, 0], PageDown: [page, 0] };
        const step = steps[event.key];
        if (step !== undefined && !event.altKey) {
            if (event.shiftKey && step[1] === 0 && row !== undefined) selection.extend(cursor.row, cursor.row + step[0]);
            moveTo(cursor.row + step[0], cursor.column + step[1]);
        } else if (event.key === 'Home' || event.key === 'End') {
            moveTo(event.ctrlKey ? (event.key === 'Home' ? 0 : rows.length - 1) : cursor.row, event.key === 'Home' ? 0 : columns.length);
        } else if (event.key === 'Enter' && event.altKey && row !== undefined) open(row);
        else if (event.key === ' ' && row !== undefined && (cursor.column === 0 || event.shiftKey)) selection.toggle(row);
        else if ((event.key === 'Enter' || event.key === 'F2') && cursor.column > 0) edit(null);
        else if (event.key === 'Enter' && row !== undefined) selection.toggle(row);
        else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'a') selectAll();
        else if (event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey && !event.altKey && cursor.column > 0) edit(event.key);
        else return;
        event.preventDefault();
        event.stopPropagation();
    };
    const onPaste = (event: ClipboardEvent) => {
        if (editing !== null || cursor.column === 0) return;
        event.preventDefault();
        const { events, left } = pasteInto(pasted(event.clipboardData.getData('text/plain')), rows, cursor.row, columns, cursor.column - 1);
        if (events.length === 0) return void toast.error('Nothing of that can be put here.');
        setBulk({ kind: 'cells', events, note: left === 0 ? '' : `${left} more ${left === 1 ? 'line has' : 'lines have'} no row here and ${left === 1 ? 'is' : 'are'} left out.` });
    };
    const selectAll = () => void fetchWhole(asked).then(selection.all);
    useNarrowing(selection, asked);
    if (table.isError) return <Failed error={table.error} retry={() => void table.refetch()} />;
    if (table.data === undefined) return <Loading what="the table" />;
    const template = `34px ${columns.map((each) => each.width).join(' ')}`;
    return (
        <div className="flex h-full flex-col">
            <TableBar
                total={total}
                status={status}
                onStatus={setStatus}
                shown={shown}
                onShown={setShown}
                selected={selection.events}
                onAll={selectAll}
                onNone={selection.none}
                onBulk={(action) => setBulk({ kind: 'change', action, events: selection.events })}
            />
            <div ref={scroller} className="min-h-0 flex-1 overflow-auto" data-table-scroller>
                {/* The keyboard is listened to here for every cell of it. */}
                {/* eslint-disable-next-line jsx-a11y/interactive-supports-focus */}
                <div ref={grid} role="grid" aria-label="Events" aria-rowcount={total + 1} aria-multiselectable="true" className="min-w-[760px]" onKeyDown={onKeyDown} onPaste={onPaste}>
                    <div role="row" aria-rowindex={1} className="sticky top-0 z-10 grid border-b border-ink bg-paper text-xs" style={{ gridTemplateColumns: template }}>
                        <span role="columnheader" className="grid place-items-center">
                            <input
                                type="checkbox"
                                aria-label="Choose all that match"
                                className="size-4 accent-(--ink)"
                                checked={selection.events.length > 0 && selection.events.length >= total}
                                onChange={() => (selection.events.length > 0 ? selection.none() : selectAll())}
                            />
                        </span>
                        {columns.map((column) => (
                            <span key={column.key} role="columnheader" aria-sort={sorting.by === column.key ? (sorting.descending ? 'descending' : 'ascending') : 'none'} className="border-l border-hair">
                                <button
                                    type="button"
                                    className={clsx('w-full px-1.5 py-1.5 text-left hover:text-ink', sorting.by === column.key ? 'font-bold' : 'text-soft')}
                                    onClick={() => setSorting({ by: column.key, descending: sorting.by === column.key && !sorting.descending })}
                                >
                                    {column.name}
                                    {sorting.by === column.key && <span aria-hidden="true">{sorting.descending ? ' ↓' : ' ↑'}</span>}
                                </button>
                            </span>
                        ))}
                    </div>
                    <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
                        {drawn.map(({ index, start }) => {
                            const row = rows[index];
                            return row === undefined ? null : (
                                <TableRow
                                    key={row.id}
                                    row={row}
                                    index={index}
                                    top={start}
                                    template={template}
                                    columns={columns}
                                    calendarName={calendarName}
                                    year={rota.today.slice(0, 4)}
                                    look={rota.sheet?.layers[row.layer] ?? PLAIN}
                                    chosen={rota.search.event === row.id}
                                    selected={selection.has(row.id)}
                                    onSelect={() => selection.toggle(row)}
                                    onOpen={() => open(row)}
                                    focused={cursor.row === index ? cursor.column : null}
                                    onFocus={(column) => setCursor({ row: index, column })}
                                    onEdit={() => edit(null)}
                                    editing={editing?.id === row.id ? editing : null}
                                    onDone={(to) => {
                                        setEditing(null);
                                        moveTo(cursor.row + (to === 'down' ? 1 : 0), cursor.column + (to === 'right' ? 1 : to === 'left' ? -1 : 0));
                                    }}
                                />
                            );
                        })}
                    </div>
                    {rows.length === 0 && <p className="px-3 py-6 text-soft italic">No event of this time matches. Look at a longer time, or take filters off in the key.</p>}
                </div>
            </div>
            {bulk !== null && (
                <BulkDialog
                    start={bulk}
                    names={(id) => rows.find((each) => each.id === id)?.title ?? ''}
                    onClose={() => {
                        setBulk(null);
                        focusCell();
                    }}
                    onDone={selection.none}
                />
            )}
        </div>
    );
}

