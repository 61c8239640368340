import { strToU8, zipSync } from 'fflate';
import { expect, test } from 'vitest';
import { said } from '@/features/imports/office/markup';
import { isPacked, opened } from '@/features/imports/office/opened';

/** A packed file of these files. */
function packed(name: string, files: Record<string, string>): File {
    return new File([zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])))], name);
}

const page = async (file: File) => (await opened(file)).text();

function openDocument(table: string, more: Record<string, string> = {}): File {
    return packed('dates.ods', {
        'META-INF/manifest.xml': '<manifest/>',
        'content.xml': `<?xml version="1.0"?><office:document-content xmlns:office="o" xmlns:table="t" xmlns:text="x"><table:table table:name="Autumn">${table}</table:table></office:document-content>`,
        ...more,
    });
}

function spreadsheet(cells: string, styles = '<styleSheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><cellXfs><xf numFmtId="0"/><xf numFmtId="14"/><xf numFmtId="22"/><xf numFmtId="20"/></cellXfs></styleSheet>'): File {
    const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
    return packed('dates.xlsx', {
        '[Content_Types].xml': '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>',
        'xl/workbook.xml': `<workbook xmlns="${main}" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="Autumn &amp; spring" sheetId="1" r:id="rId1"/></sheets></workbook>`,
        'xl/_rels/workbook.xml.rels': '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>',
        'xl/styles.xml': styles,
        'xl/worksheets/sheet1.xml': `<worksheet xmlns="${main}"><sheetData>${cells}</sheetData></worksheet>`,
    });
}

test('a spreadsheet is a page of tables, under its own name: days as days, hours as hours, formulas as what they came to', async () => {
    const file = spreadsheet(
        '<row r="1"><c r="A1" t="inlineStr"><is><t>Date</t></is></c><c r="B1" t="inlineStr"><is><t>What &lt;b&gt;</t></is></c></row>' +
            '<row r="2"><c r="A2" s="1"><v>46280</v></c><c r="B2" t="inlineStr"><is><t>Drill</t></is></c><c r="C2"><f>1+1</f><v>2</v></c></row>' +
            '<row r="3"><c r="A3" s="2"><v>46280.4375</v></c><c r="B3" t="str"><f>CONCAT("a")</f><v>Tea</v></c></row>',
    );
    const result = await opened(file);
    expect(result.name).toBe('dates.xlsx');
    expect((await result.text()).split('\n')).toEqual([
        '<h2>Autumn &amp; spring</h2><table><tr><td>Date</td><td>What &lt;b&gt;</td><td></td></tr>',
        '<tr><td>2026-09-15</td><td>Drill</td><td>2</td></tr>',
        '<tr><td>2026-09-15 10:30</td><td>Tea</td><td></td></tr></table>',
    ]);
});

test('what a cell says is what the sheet shows, whatever zone it is read in', () => {
    const at = (iso: string) => new (globalThis.Date as unknown as new (iso: string) => object)(iso);
    expect([said(at('2026-09-15T00:00:00Z')), said(at('2026-03-29T01:30:00Z')), said(at('1899-12-31T09:15:00Z')), said(at('2026-09-15T08:59:59.9996Z')), said(at('never'))]).toEqual(['2026-09-15', '2026-03-29 01:30', '09:15', '2026-09-15 09:00', '']);
    expect([said('x'), said(46_280), said(true), said(null), said(undefined), said({})]).toEqual(['x', '46280', 'true', '', '', '']);
});

test('a spreadsheet of the open format is read by what its cells are, not by how they are shown; what is empty to the end of the world is left', async () => {
    const text = (words: string) => `<table:table-cell office:value-type="string"><text:p>${words}</text:p></table:table-cell>`;
    const html = await page(
        openDocument(
            `<table:table-row>${text('Date')}${text('What')}<table:table-cell table:number-columns-repeated="16382"/></table:table-row>` +
                `<table:table-row><table:table-cell office:value-type="date" office:date-value="2026-09-15"><text:p>15/09/26</text:p></table:table-cell>${text('Drill')}<table:table-cell office:value-type="time" office:time-value="PT10H30M00S"><text:p>10:30 AM</text:p></table:table-cell></table:table-row>` +
                `<table:table-row table:number-rows-repeated="2">${text('a')}<table:covered-table-cell/>${text('b')}</table:table-row><table:table-row table:number-rows-repeated="1048573"><table:table-cell/></table:table-row>`,
        ),
    );
    expect(html.split('\n')).toEqual([
        '<h2>Autumn</h2><table><tr><td>Date</td><td>What</td></tr>',
        '<tr><td>2026-09-15</td><td>Drill</td><td>10:30</td></tr>',
        '<tr><td>a</td><td></td><td>b</td></tr>',
        '<tr><td>a</td><td></td><td>b</td></tr></table>',
    ]);
});

test('a document is its headings, paragraphs, lists and tables, a line each, without its pictures', async () => {
    const w = 'http://schemas.openxmlformats.org/wordprocessingml/2006/main';
    const p = (words: string) => `<w:p><w:r><w:t>${words}</w:t></w:r></w:p>`;
    const html = await page(
        packed('letter.docx', {
            '[Content_Types].xml': '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>',
            '_rels/.rels': '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>',
            'word/document.xml': `<w:document xmlns:w="${w}"><w:body>${p('The drill is on Monday 7 September 2026 at 10am.')}<w:tbl><w:tr><w:tc>${p('Date')}</w:tc><w:tc>${p('What')}</w:tc></w:tr></w:tbl></w:body></w:document>`,
        }),
    );
    expect(html).toContain('<p>The drill is on Monday 7 September 2026 at 10am.</p>\n');
    expect(html).toMatch(/<table>.*<td><p>Date<\/p>/s);
});

test('what cannot be opened is refused in one sentence', async () => {
    const why = (file: File) => opened(file).then(() => 'opened', (problem: Error) => problem.message);
    expect(await why(openDocument('', { 'META-INF/manifest.xml': '<manifest><encryption-data/></manifest>' }))).toBe('This file is protected by a password. Save it without one.');
    expect(await why(openDocument('<broken'))).toBe('This file is damaged: there is no table in it.');
    expect(await why(packed('photos.zip', { 'a.txt': 'a' }))).toBe('This is a packed file, and neither a spreadsheet nor a document. Unpack it, and bring in what is in it.');
    expect(await why(new File(['PK\u0003\u0004 and nothing behind'], 'dates.xlsx'))).toMatch(/^This file is damaged: it cannot be opened\./);
    expect(await why(spreadsheet('<row', '<broken'))).toMatch(/cannot be opened|opened/);
    // 120 MB of nothing in some hundred kB.
    expect(await why(packed('bomb.xlsx', { 'xl/workbook.xml': ' '.repeat(120 * 1024 * 1024) }))).toBe('This file is small packed and enormous unpacked. It is not opened.');
});

test('packed is what begins as such, whatever it is called', async () => {
    expect(await isPacked(new Blob([zipSync({ a: strToU8('a') })]))).toBe(true);
    expect(await isPacked(new Blob(['Date,What']))).toBe(false);
    expect(await isPacked(new Blob([]))).toBe(false);
});
