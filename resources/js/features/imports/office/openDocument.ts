import { NotReadable, textIn } from './unpack';
import { pageOfSheets } from './markup';

/** Repeated cells at the end of rows, and repeated rows at the end of sheets, are how nothing is written. */
const MOST_REPEATED = 200;

/** A spreadsheet of the open format (ISO/IEC 26300) as a page of tables. */
export async function pageOfOpenDocument(octets: Uint8Array): Promise<string> {
    if ((await textIn(octets, 'META-INF/manifest.xml'))?.includes('encryption-data') === true) throw new NotReadable('This file is protected by a password. Save it without one.');
    const contents = await textIn(octets, 'content.xml');
    const root = contents === null ? null : new DOMParser().parseFromString(contents, 'application/xml');
    if (root === null || root.querySelector('parsererror') !== null) throw new NotReadable('This file is damaged: there is no table in it.');
    return pageOfSheets([...root.getElementsByTagName('table:table')].map((table) => ({ name: table.getAttribute('table:name') ?? '', rows: rowsOf(table) })));
}

function rowsOf(table: Element): string[][] {
    const rows: string[][] = [];
    for (const row of table.getElementsByTagName('table:table-row')) {
        const cells = cellsOf(row);
        const times = cells.length === 0 ? 1 : repeated(row, 'table:number-rows-repeated');
        for (let time = 0; time < times; time++) rows.push(cells);
    }
    while (rows.at(-1)?.length === 0) rows.pop();
    return rows;
}

function cellsOf(row: Element): string[] {
    const cells: string[] = [];
    for (const cell of row.children) {
        if (cell.tagName !== 'table:table-cell' && cell.tagName !== 'table:covered-table-cell') continue;
        const text = said(cell);
        for (let time = repeated(cell, 'table:number-columns-repeated'); time > 0; time--) cells.push(text);
    }
    while (cells.at(-1) === '') cells.pop();
    return cells;
}

/** What a cell says: of a formula what it came to, of a day the day itself and not how it is shown. */
function said(cell: Element): string {
    const kind = cell.getAttribute('office:value-type');
    if (kind === 'date') return (cell.getAttribute('office:date-value') ?? '').replace('T', ' ').slice(0, 16);
    const [, hours, minutes] = /^PT(\d+)H(\d+)M/.exec(kind === 'time' ? (cell.getAttribute('office:time-value') ?? '') : '') ?? [];
    if (hours !== undefined && minutes !== undefined) return `${hours}:${minutes}`;
    return [...cell.getElementsByTagName('text:p')].map(({ textContent }) => textContent).join(' ');
}

function repeated(element: Element, name: string): number {
    return Math.min(MOST_REPEATED, Math.max(1, Number(element.getAttribute(name) ?? 1)));
}
