import { unzip, type Unzipped } from 'fflate';

/** More is no timetable, but something that is to fill the memory. In octets. */
const MOST_UNPACKED = 100 * 1024 * 1024;

/** Why a file of an office program is not read; what it says is for a person. */
export class NotReadable extends Error {}

const DAMAGED = 'This file is damaged: it cannot be opened. Save it anew, or copy the table or the text and paste it here.';

/** What is in a file, without unpacking any of it. */
export async function namesIn(octets: Uint8Array): Promise<string[]> {
    const names: string[] = [];
    let size = 0;
    await unpacked(octets, (name, length) => {
        names.push(name);
        size += length;
        return false;
    });
    if (size > MOST_UNPACKED) throw new NotReadable('This file is small packed and enormous unpacked. It is not opened.');
    return names;
}

/** One of the files in it, as text; null where it is not there. */
export async function textIn(octets: Uint8Array, name: string): Promise<string | null> {
    const found = (await unpacked(octets, (each, length) => each === name && length <= MOST_UNPACKED))[name];
    return found === undefined ? null : new TextDecoder().decode(found);
}

function unpacked(octets: Uint8Array, isWanted: (name: string, length: number) => boolean): Promise<Unzipped> {
    return new Promise((resolve, reject) => {
        unzip(octets, { filter: ({ name, originalSize }) => isWanted(name, originalSize) }, (error, files) => {
            if (error === null) resolve(files);
            else reject(new NotReadable(DAMAGED, { cause: error }));
        });
    });
}
