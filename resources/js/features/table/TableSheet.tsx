import { useVirtualizer } from '@tanstack/react-virtual';
import clsx from 'clsx';
import { useEffect, useMemo, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import { Problem } from '@/api/client';
import { toast } from '@/toast/toast';
import { Failed, Loading } from '@/components/States';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useRota } from '@/features/sheet/RotaContext';
import { PLAIN } from '@/features/sheet/ItemView';
import { HOLDS } from '@/api/generated/words';
import { BulkDialog, type BulkStart } from './BulkDialog';
import { cleared, copied, pasted, pasteInto, spread, type Block } from './clipboard';
import { COLUMNS, copyText, type Row } from './columns';
import { TableBar } from './TableBar';
import { TableRow } from './TableRow';
import { useBulk } from './useBulk';
import { useCells, type Cell } from './useCells';
import { useNarrowing } from './useNarrowing';
import { useSelection } from './useSelection';
import { fetchWhole, useTable, type Asked } from './useTable';
import { useTableLook } from './useTableLook';

/** By touch a row is as high as a finger is wide. */
const FINGER = matchMedia('(pointer: coarse)').matches;
const HEIGHT = FINGER ? 45 : 30;

/** All events as rows: sorted, filtered, many changed at once, cells written in place. */
export function TableSheet() {
    const rota = useRota();
    const calendars = useCalendars().data;
    const { shown, show, sorting, sort } = useTableLook();
    const status = rota.search.state ?? '';
    const hidden = useMemo(() => [...rota.hidden].sort((a, b) => a - b), [rota.hidden]);
    const asked: Asked = { through: rota.through, span: rota.span, status, hidden, sorting };
    const table = useTable(asked);
    // The server leaves out what is hidden, too; here it goes at once.
    const rows = useMemo(() => (table.data?.pages ?? []).flatMap((page) => page.rows).filter((row) => !rota.hidden.has(row.layer)), [table.data, rota.hidden]);
    const total = table.data?.pages[0]?.total ?? 0;
    const columns = useMemo(() => COLUMNS.filter((each) => shown.includes(each.key)), [shown]);
    const selection = useSelection(rows);
    const cells = useCells(rows);
    const { cursor, block } = cells;
    const [editing, setEditing] = useState<{ id: number; text: string | null } | null>(null);
    const [bulk, setBulk] = useState<BulkStart | null>(null);
    const gone = useRef<{ id: number; column: number } | null>(null);
    const clearOne = useBulk(() => 'It is cleared.');
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
    const moveTo = (row: number, column: number, extending = false) => {
        const next = { row: Math.max(0, Math.min(rows.length - 1, row)), column: Math.max(0, Math.min(columns.length, column)) };
        cells.goTo(next, extending);
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
        cells.goTo(cursor);
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
            if (event.shiftKey && cursor.column === 0 && step[1] === 0) selection.extend(cursor.row, cursor.row + step[0]);
            moveTo(cursor.row + step[0], cursor.column + step[1], event.shiftKey);
        } else if (event.key === 'Home' || event.key === 'End') {
            moveTo(event.ctrlKey ? (event.key === 'Home' ? 0 : rows.length - 1) : cursor.row, event.key === 'Home' ? 0 : columns.length);
        } else if (event.key === 'Enter' && event.altKey && row !== undefined) open(row);
        else if (event.key === ' ' && row !== undefined && (cursor.column === 0 || event.shiftKey)) selection.toggle(row);
        else if ((event.key === 'Enter' || event.key === 'F2') && cursor.column > 0) edit(null);
        else if (event.key === 'Enter' && row !== undefined) selection.toggle(row);
        else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'a') selectAll();
        else if (event.key === 'Delete' || event.key === 'Backspace') clear();
        else if (event.key === 'Escape' && cells.many) cells.collapse();
        else if (event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey && !event.altKey && cursor.column > 0) edit(event.key);
        else return;
        event.preventDefault();
        event.stopPropagation();
    };
    const clear = () => {
        const chosen = selection.events.length > 0 ? selection.events : rows.slice(cursor.row, cursor.row + 1);
        if (cursor.column === 0) return setBulk({ kind: 'change', action: 'delete', events: chosen.map(({ id, version }) => ({ id, version })) });
        const events = cleared(rows, columns, block);
        if (events.length === 0) return void toast.error(`${columns[block.left]?.name ?? 'This'} cannot be empty.`);
        if (events.length > 1) return setBulk({ kind: 'cells', events, note: '' });
        clearOne.mutate({ tz: rota.zone, events }, { onError: (error) => toast.error(error instanceof Problem ? (error.fields[0]?.message ?? error.message) : 'This could not be cleared.') });
    };
    const onCopy = (event: ClipboardEvent) => {
        if (editing !== null || rows.length === 0) return;
        const chosen = rows.filter((row) => selection.has(row.id));
        const from = cursor.column > 0 ? rows.slice(block.top, block.bottom + 1) : chosen.length > 0 ? chosen : rows.slice(cursor.row, cursor.row + 1);
        const across = cursor.column > 0 ? columns.slice(block.left, block.right + 1) : columns;
        const { text, html } = copied(from.map((row) => across.map((column) => copyText(row, column.key, calendarName))));
        event.clipboardData.setData('text/plain', text);
        event.clipboardData.setData('text/html', html);
        event.preventDefault();
        const unread = cursor.column === 0 ? selection.events.length - chosen.length : 0;
        toast(`${from.length} ${from.length === 1 ? 'row' : 'rows'} of ${across.length} ${across.length === 1 ? 'column is' : 'columns are'} copied.${unread > 0 ? ` ${unread} that you chose have not been read yet: scroll to the end first, or take the .csv.` : ''}`);
    };
    const onPaste = (event: ClipboardEvent) => {
        if (editing !== null || cursor.column === 0) return;
        event.preventDefault();
        const text = spread(pasted(event.clipboardData.getData('text/plain')), block);
        void putInto(text, block);
    };
    /** Rows that have not been read yet take their part of what is pasted, too. */
    const putInto = async (text: string[][], { top, left }: Block) => {
        const targets = top + text.length > rows.length && hasNextPage ? await fetchWhole(asked) : rows;
        const { events, left: over } = pasteInto(text, targets, top, columns, left);
        if (events.length === 0) return void toast.error('Nothing of that can be put here.');
        setBulk({ kind: 'cells', events, note: over === 0 ? '' : `${over} more ${over === 1 ? 'line has' : 'lines have'} no row here and ${over === 1 ? 'is' : 'are'} left out.` });
    };
    /** A press begins there, or with Shift goes on from where it was; drawn on, it marks a block. */
    const point = (cell: Cell, extending: boolean) => {
        // While a cell is being saved, where one goes on is remembered: what is typed next is never put into the one that was left.
        const same = cursor.row === cell.row && cursor.column === cell.column;
        if (editing !== null && !same) gone.current = { id: rows[cell.row]?.id ?? 0, column: cell.column };
        if (editing !== null || (same && !cells.many)) return;
        cells.goTo(cell, extending);
        if (extending) focusCell();
    };
    const selectAll = () => void fetchWhole(asked).then(selection.all);
    useNarrowing(selection, asked);
    if (table.isError) return <Failed error={table.error} retry={() => void table.refetch()} />;
    if (table.data === undefined) return <Loading what="the table" />;
    const template = `${FINGER ? 44 : 34}px ${columns.map((each) => each.width).join(' ')}`;
    return (
        <div className="flex h-full flex-col">
            <TableBar
                total={total}
                shown={shown}
                onShown={show}
                asked={asked}
                selected={selection.events}
                onAll={selectAll}
                onNone={selection.none}
                onBulk={(action) => setBulk({ kind: 'change', action, events: selection.events })}
            />
            <div ref={scroller} className="min-h-0 flex-1 overflow-auto" data-table-scroller>
                {/* The keyboard is listened to here for every cell of it. */}
                {/* eslint-disable-next-line jsx-a11y/interactive-supports-focus */}
                <div ref={grid} role="grid" aria-label="Events" aria-rowcount={total + 1} aria-multiselectable="true" className="min-w-[760px] select-none" onKeyDown={onKeyDown} onCopy={onCopy} onPaste={onPaste}>
                    <div role="row" aria-rowindex={1} className="sticky top-0 z-10 grid border-b border-ink bg-paper text-xs" style={{ gridTemplateColumns: template }}>
                        <span role="columnheader" className="grid place-items-center">
                            <label className="grid size-full cursor-pointer place-items-center">
                                <input
                                    type="checkbox"
                                    aria-label="Choose all that match"
                                    className="size-4 accent-(--ink)"
                                    checked={selection.events.length > 0 && selection.events.length >= total}
                                    onChange={() => (selection.events.length > 0 ? selection.none() : selectAll())}
                                />
                            </label>
                        </span>
                        {columns.map((column) => (
                            <span key={column.key} role="columnheader" aria-sort={sorting.by === column.key ? (sorting.descending ? 'descending' : 'ascending') : 'none'} className="border-l border-hair">
                                <button
                                    type="button"
                                    className={clsx('w-full px-1.5 py-1.5 text-left hover:text-ink pointer-coarse:min-h-11', sorting.by === column.key ? 'font-bold' : 'text-soft')}
                                    onClick={() => sort(column.key)}
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
                                    height={HEIGHT}
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
                                    marked={cells.many && index >= block.top && index <= block.bottom ? block : null}
                                    onPoint={(column, extending) => point({ row: index, column }, extending)}
                                    onEdit={() => edit(null)}
                                    editing={editing?.id === row.id ? editing : null}
                                    onDone={(to) => {
                                        setEditing(null);
                                        const next = gone.current;
                                        gone.current = null;
                                        if (to === 'away') {
                                            if (next !== null) moveTo(rows.findIndex((each) => each.id === next.id), next.column);
                                            return;
                                        }
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

