import { existsSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { expect, test } from 'vitest';

type Chunk = { file: string; imports?: string[]; dynamicImports?: string[] };

/** What has been built: the set-up does that before the tests run. */
const manifest = (): Record<string, Chunk> => JSON.parse(readFileSync('public/build/manifest.json', 'utf8')) as Record<string, Chunk>;

/** All that some modules load before they run. */
function loaded(chunks: Record<string, Chunk>, ...names: string[]): Set<string> {
    const found = new Set<string>();
    const take = (name: string) => {
        const chunk = chunks[name];
        if (chunk === undefined) throw new Error(`${name} is not built`);
        if (found.has(chunk.file)) return;
        found.add(chunk.file);
        chunk.imports?.forEach(take);
    };
    names.forEach(take);
    return found;
}

const FIRST_SHEET = ['resources/js/main.tsx', 'resources/js/app/start.tsx', 'resources/js/features/rota/RotaPage.tsx'];

test('the first sheet needs less than 160 kB of script, gzipped', () => {
    const size = [...loaded(manifest(), ...FIRST_SHEET)].filter((file) => file.endsWith('.js')).reduce((sum, file) => sum + gzipSync(readFileSync(`public/build/${file}`)).length, 0);
    expect(size / 1000).toBeLessThan(160);
    expect(size / 1000).toBeGreaterThan(100);
});

test('forms, dialogs, the table and printing come when they are needed', () => {
    const first = loaded(manifest(), ...FIRST_SHEET);
    const later = ['features/events/EventAside.tsx', 'features/overlays/OverlayDialog.tsx', 'features/table/TableSheet.tsx', 'features/printing/PrintDialog.tsx', 'features/calendar-pages/CalendarPage.tsx'];
    for (const name of later) {
        const chunk = manifest()[`resources/js/${name}`];
        expect(chunk, name).toBeDefined();
        expect(first.has(chunk?.file ?? ''), name).toBe(false);
        expect(existsSync(`public/build/${chunk?.file}`), name).toBe(true);
    }
});

test('what sees to it that the browser knows the calendar runs before anything that stands on it', () => {
    const stands = (file: string) => file.endsWith('.js') && readFileSync(`public/build/${file}`, 'utf8').includes('Temporal');
    const main = manifest()['resources/js/main.tsx']?.file;
    expect([...loaded(manifest(), 'resources/js/main.tsx')].filter((file) => file !== main && stands(file))).toEqual([]);
    // All of it comes by that.
    expect([...loaded(manifest(), 'resources/js/app/start.tsx')].filter(stands)).toHaveLength(1);
});
