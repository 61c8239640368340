import { namesIn, NotReadable } from './unpack';
import { pageOfSheets } from './markup';
import { pageOfOpenDocument } from './openDocument';

/**
 * A file of a spreadsheet or a word processor as a page with its tables, headings and paragraphs, under its own name; what it means is
 * decided by the server. Formulas are what they came to when it was saved, and programs in it are left where they are.
 *
 * @throws NotReadable where it is none that is known, or is protected or damaged
 */
export async function opened(file: File): Promise<File> {
    const buffer = await file.arrayBuffer();
    const octets = new Uint8Array(buffer);
    const names = await namesIn(octets);
    return new File([await pageOf(buffer, octets, names)], file.name, { type: 'text/html' });
}

async function pageOf(buffer: ArrayBuffer, octets: Uint8Array, names: readonly string[]): Promise<string> {
    if (names.includes('xl/workbook.xml')) {
        const { default: sheetsOf } = await import('read-excel-file/universal');
        const sheets = await sheetsOf(new Blob([buffer])).catch((cause: unknown) => {
            throw new NotReadable('This spreadsheet cannot be opened. Save it anew, or copy the table and paste it here.', { cause });
        });
        return pageOfSheets(sheets.map(({ sheet, data }) => ({ name: sheet, rows: data })));
    }
    if (names.includes('word/document.xml')) {
        const { default: mammoth } = await import('mammoth/mammoth.browser.js');
        const { value } = await mammoth.convertToHtml({ arrayBuffer: buffer }, { convertImage: mammoth.images.imgElement(() => Promise.resolve({ src: '' })) }).catch((cause: unknown) => {
            throw new NotReadable('This document cannot be opened. Save it anew, or copy the text and paste it here.', { cause });
        });
        // A line each, so that it can be told where something stands.
        return value.replaceAll(/(<\/(?:p|h\d|li|tr|table|ul|ol)>)/g, '$1\n');
    }
    if (names.includes('content.xml') && names.includes('META-INF/manifest.xml')) return pageOfOpenDocument(octets);
    throw new NotReadable('This is a packed file, and neither a spreadsheet nor a document. Unpack it, and bring in what is in it.');
}

/** Whether a file is packed, as those of office programs are. */
export async function isPacked(file: Blob): Promise<boolean> {
    const [p, k, third, fourth] = new Uint8Array(await file.slice(0, 4).arrayBuffer());
    return p === 0x50 && k === 0x4b && third === 3 && fourth === 4;
}
