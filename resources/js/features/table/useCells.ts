import { useState } from 'react';
import type { Block } from './clipboard';

/** A cell: on the row of an event, wherever that goes, and in a column, 0 being the box. Without the event, at the place where it was. */
type Place = { id: number | null; row: number; column: number };

export type Cell = { row: number; column: number };

/** The cell where the keyboard is, and the block from where Shift or the mouse began. Both stay with their events when rows shift. */
export function useCells(rows: { id: number }[]) {
    const [place, setPlace] = useState<Place>({ id: null, row: 0, column: 1 });
    const [anchor, setAnchor] = useState<Place | null>(null);
    const cellAt = ({ id, row, column }: Place): Cell => {
        const at = id === null || rows[row]?.id === id ? row : rows.findIndex((each) => each.id === id);
        return { row: at === -1 ? Math.max(0, Math.min(row, rows.length - 1)) : at, column };
    };
    const placeOf = (cell: Cell): Place => ({ ...cell, id: rows[cell.row]?.id ?? null });
    const cursor = cellAt(place);
    const from = anchor === null ? cursor : cellAt(anchor);
    const block: Block = {
        top: Math.min(from.row, cursor.row),
        bottom: Math.max(from.row, cursor.row),
        left: Math.max(0, Math.min(from.column, cursor.column) - 1),
        right: Math.max(from.column, cursor.column) - 1,
    };
    return {
        cursor,
        block,
        /** Whether more than one cell is marked. */
        many: block.top !== block.bottom || block.left < block.right,
        goTo: (cell: Cell, extending = false) => {
            setAnchor(extending && from.column > 0 && cell.column > 0 ? placeOf(from) : null);
            setPlace(placeOf(cell));
        },
        collapse: () => setAnchor(null),
    };
}
