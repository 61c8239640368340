import clsx from 'clsx';
import { ArrowUpRight, Lock, Repeat } from 'lucide-react';
import { Mark } from '@/components/Mark';
import type { Look } from '@/features/sheet/ItemView';
import { CellEditor, type Leaving } from './CellEditor';
import type { Block } from './clipboard';
import { cellText, type Column, type Row } from './columns';

/** A finger opens the event: a cell is written with a keyboard. */
const byTouch = () => matchMedia('(pointer: coarse)').matches;

type Props = {
    row: Row;
    index: number;
    top: number;
    height: number;
    template: string;
    columns: Column[];
    calendarName: (slug: string) => string;
    /** This year, which need not be said. */
    year: string;
    /** How its layer is drawn. */
    look: Look;
    /** Whether it is the one that is open beside. */
    chosen: boolean;
    selected: boolean;
    onSelect: () => void;
    onOpen: () => void;
    /** The column where the keyboard is, 0 being the box; null in another row. */
    focused: number | null;
    /** The columns of it that are marked, where more than one cell is. */
    marked: Pick<Block, 'left' | 'right'> | null;
    /** The keyboard or the mouse comes to a cell; extending, what lies between is marked. */
    onPoint: (column: number, extending: boolean) => void;
    onEdit: () => void;
    /** The text that editing began with, null for what stands there. */
    editing: { text: string | null } | null;
    onDone: (to: Leaving) => void;
};

export function TableRow({ row, index, top, height, template, columns, calendarName, year, look, chosen, selected, onSelect, onOpen, focused, marked, onPoint, onEdit, editing, onDone }: Props) {
    return (
        <div
            role="row"
            aria-rowindex={index + 2}
            aria-selected={selected}
            data-row={row.id}
            className={clsx('absolute grid w-full items-stretch border-b border-hair', selected ? 'bg-wash' : 'hover:bg-wash/60', chosen && 'shadow-[inset_3px_0_var(--pin)]', row.status === 'cancelled' && 'text-soft', editing !== null && 'z-10')}
            style={{ gridTemplateColumns: template, height, transform: `translateY(${top}px)` }}
        >
            <span role="gridcell" tabIndex={focused === 0 ? 0 : -1} className="grid place-items-center" onFocus={() => focused !== 0 && onPoint(0, false)}>
                {/* Around the box, too, it is the box that is meant. */}
                <label className="grid size-full cursor-pointer place-items-center">
                    <input type="checkbox" tabIndex={-1} aria-label={`Choose ${row.title}`} className="size-4 accent-(--ink)" checked={selected} onChange={onSelect} />
                </label>
            </span>
            {columns.map((column, position) => {
                const text = cellText(row, column.key, calendarName, year);
                const isMarked = marked !== null && position >= marked.left && position <= marked.right;
                const edited = editing !== null && focused === position + 1;
                return (
                    // By keyboard it is the table that opens it (Alt Enter).
                    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
                    <span
                        key={column.key}
                        role="gridcell"
                        tabIndex={focused === position + 1 ? 0 : -1}
                        aria-selected={isMarked}
                        aria-readonly={!column.written || row.hold !== null}
                        data-column={column.key}
                        className={clsx('relative flex min-w-0 items-center gap-1 border-l border-hair px-1.5 focus-visible:outline-2 focus-visible:-outline-offset-2 focus-visible:outline-ink', column.key === 'title' && 'font-semibold', column.key === 'title' && row.status === 'provisional' && 'italic', isMarked && 'bg-ink/10')}
                        onFocus={() => focused !== position + 1 && onPoint(position + 1, false)}
                        onPointerDown={(event) => {
                            if (event.shiftKey) event.preventDefault();
                            if (event.pointerType === 'mouse' && event.button === 0) onPoint(position + 1, event.shiftKey);
                        }}
                        onPointerEnter={(event) => event.pointerType === 'mouse' && event.buttons === 1 && onPoint(position + 1, true)}
                        onClick={() => !edited && byTouch() && onOpen()}
                        onDoubleClick={() => !edited && onEdit()}
                        title={edited ? undefined : text}
                    >
                        {edited ? (
                            <CellEditor row={row} column={column.key} first={editing.text} onDone={onDone} />
                        ) : (
                            <>
                                {column.key === 'title' && (
                                    <span data-ink={row.colour ?? look.colour} className="shrink-0 text-(--k)">
                                        <Mark mark={look.mark} size={10} />
                                    </span>
                                )}
                                <span className={clsx('min-w-0 flex-1 truncate', (column.key === 'when' || column.key === 'changedAt') && 'tabular-nums')}>{text}</span>
                                {column.key === 'when' && row.repeats && (
                                    <span className="flex shrink-0 items-center gap-0.5 text-xs text-soft" title={`${row.times} times in this window`}>
                                        <Repeat size={11} aria-hidden="true" />
                                        {row.times}
                                        <span className="sr-only"> times</span>
                                    </span>
                                )}
                                {column.key === 'title' && row.hold !== null && <Lock size={11} className="shrink-0 text-soft" aria-label="cannot be changed by you" />}
                                {column.key === 'title' && (
                                    <button type="button" tabIndex={-1} className="grid size-6 shrink-0 place-items-center text-soft hover:text-ink pointer-coarse:hidden" aria-label={`Open ${row.title}`} onClick={onOpen}>
                                        <ArrowUpRight size={13} />
                                    </button>
                                )}
                            </>
                        )}
                    </span>
                );
            })}
        </div>
    );
}
