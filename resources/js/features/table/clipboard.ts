import type { Schemas } from '@/api/client';
import type { Column } from './columns';

/** A row that something is put into. */
export type Target = Pick<Schemas['TableKey'], 'id' | 'version' | 'occurrence'>;

/** Cells that belong together; all four are included, columns are counted without the box. */
export type Block = { top: number; left: number; bottom: number; right: number };

/** What a spreadsheet would work out instead of showing it; copied, it is led by an apostrophe, as they write it themselves. */
const FORMULA = /^[=+\-@]/;

const GUARDED = /^'(?=[=+\-@])/;

/** The rows and cells of a text that was copied from a table. */
export function pasted(text: string): string[][] {
    const lines = text.replace(/\r\n?/g, '\n').replace(/\n$/, '').split('\n');
    return lines.map((line) => line.split('\t').map((cell) => cell.trim().replace(GUARDED, '')));
}

/** Rows as they are copied: as text with tabs, and as a table. */
export function copied(rows: string[][]): { text: string; html: string } {
    const shown = rows.map((row) => row.map((cell) => (FORMULA.test(cell) ? `'${cell}` : cell).replace(/\s+/g, ' ')));
    const table = document.createElement('table');
    for (const row of shown) {
        const line = table.insertRow();
        for (const cell of row) line.insertCell().textContent = cell;
    }
    return { text: shown.map((row) => row.join('\t')).join('\n'), html: table.outerHTML };
}

/** What is pasted over a block that it fits into a whole number of times fills all of it; else it goes as far as it goes. */
export function spread(cells: string[][], block: Block): string[][] {
    const wide = Math.max(...cells.map((line) => line.length));
    const [height, width] = [block.bottom - block.top + 1, block.right - block.left + 1];
    if (height % cells.length !== 0 || width % wide !== 0 || (height <= cells.length && width <= wide)) return cells;
    return Array.from({ length: height }, (_, down) => Array.from({ length: width }, (__, right) => cells[down % cells.length]?.[right % wide] ?? ''));
}

/** What a pasted text puts into which cells: from one cell on to the right and down, over rows that may be changed. */
export function pasteInto(cells: string[][], rows: readonly Target[], row: number, columns: Column[], column: number): { events: Schemas['BulkEvent'][]; left: number } {
    const events: Schemas['BulkEvent'][] = [];
    for (const [down, line] of cells.entries()) {
        const target = rows[row + down];
        if (target === undefined) return { events, left: cells.length - down };
        const written = line.flatMap((text, right) => {
            const at = columns[column + right];
            return at?.written === true ? [[at.key, text] as const] : [];
        });
        if (written.length === 0) continue;
        events.push({ id: target.id, version: target.version, cells: Object.fromEntries(written), ...(target.occurrence === null ? {} : { occurrence: target.occurrence }) });
    }
    return { events, left: 0 };
}

/** A block with nothing in it any more, where a cell may be empty. */
export function cleared(rows: readonly Target[], columns: Column[], block: Block): Schemas['BulkEvent'][] {
    const keys = columns.slice(block.left, block.right + 1).filter((each) => each.empty === true).map((each) => [each.key, ''] as const);
    return keys.length === 0 ? [] : rows.slice(block.top, block.bottom + 1).map(({ id, version }) => ({ id, version, cells: Object.fromEntries(keys) }));
}
