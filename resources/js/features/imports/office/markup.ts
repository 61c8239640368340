import { Temporal } from 'temporal-polyfill';

/** The sheets of a spreadsheet as a page of tables, a row a line: what its cells mean is decided by the server, as of any page. */
export function pageOfSheets(sheets: readonly { name: string; rows: readonly (readonly unknown[])[] }[]): string {
    return sheets
        .filter(({ rows }) => rows.length > 0)
        .map(({ name, rows }) => `<h2>${escaped(name)}</h2><table>${rows.map((row) => `<tr>${row.map((cell) => `<td>${escaped(said(cell))}</td>`).join('')}</tr>`).join('\n')}</table>`)
        .join('\n');
}

/** What a cell says, as one would type it: of a moment what the sheet shows, which libraries tell as though it were UTC. */
export function said(cell: unknown): string {
    if (typeof cell === 'string') return cell;
    if (typeof cell === 'number' || typeof cell === 'boolean') return String(cell);
    const moment = typeof cell === 'object' && cell !== null && 'toISOString' in cell ? Number(cell) : NaN;
    if (Number.isNaN(moment)) return '';
    const wall = Temporal.Instant.fromEpochMilliseconds(moment).toZonedDateTimeISO('UTC').toPlainDateTime().round('minute');
    const time = wall.toPlainTime().toString({ smallestUnit: 'minute' });
    // An hour without a day is one of the day from which spreadsheets count.
    if (wall.year <= 1900) return time;
    return time === '00:00' ? wall.toPlainDate().toString() : `${wall.toPlainDate().toString()} ${time}`;
}

function escaped(text: string): string {
    return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll(/\r?\n/g, ' ');
}
