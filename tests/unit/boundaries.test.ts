import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { describe, expect, test } from 'vitest';

const ROOT = 'resources/js';

type Graph = Map<string, Set<string>>;

/** The folder that a file belongs to: `features/sheet`, `components`, `app`. */
function folderOf(file: string): string {
    const [first = '', second = ''] = file.split('/');
    return first === 'features' ? `${first}/${second}` : file.includes('/') ? first : 'main';
}

/** Which folder needs which, also for types alone. */
function graphOf(sources: Record<string, string>): Graph {
    const graph: Graph = new Map();
    for (const [file, text] of Object.entries(sources)) {
        const from = folderOf(file);
        const needs = graph.get(from) ?? new Set<string>();
        graph.set(from, needs);
        for (const [, spec = ''] of text.matchAll(/(?:from|import\(|import) ?'([@.]\/?[^']+)'/g)) {
            const to = folderOf(spec.startsWith('@/') ? spec.slice(2) : normalize(join(dirname(file), spec)));
            if (to !== from) needs.add(to);
        }
    }
    return graph;
}

/** A way from a folder back to itself, where there is one. */
function cycleIn(graph: Graph): string[] | null {
    const done = new Set<string>();
    const visit = (folder: string, way: string[]): string[] | null => {
        if (way.includes(folder)) return [...way.slice(way.indexOf(folder)), folder];
        if (done.has(folder)) return null;
        for (const next of graph.get(folder) ?? []) {
            const found = visit(next, [...way, folder]);
            if (found !== null) return found;
        }
        done.add(folder);
        return null;
    };
    for (const folder of graph.keys()) {
        const found = visit(folder, []);
        if (found !== null) return found;
    }
    return null;
}

const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter((file) => /\.tsx?$/.test(file) && !file.includes('generated'));
const sources = Object.fromEntries(files.map((file) => [file, readFileSync(join(ROOT, file), 'utf8')]));

describe('the folders of the front end', () => {
    test('need each other one way only', () => {
        expect(graphOf(sources).size).toBeGreaterThan(20);
        expect(cycleIn(graphOf(sources))).toBeNull();
    });

    test('a cycle is found, also one of types alone and over several folders', () => {
        const broken = { ...sources, 'features/sheet/Broken.ts': "import type { Scope } from '@/features/events/scope';" };
        expect(cycleIn(graphOf(broken))).toEqual(expect.arrayContaining(['features/sheet', 'features/events']));
        expect(cycleIn(graphOf({ 'features/a/x.ts': "import { y } from '../b/y';", 'features/b/y.ts': "const c = await import('@/features/c/z');", 'features/c/z.ts': "export type { A } from '@/features/a/x';" }))).toEqual(['features/a', 'features/b', 'features/c', 'features/a']);
    });

    test('what is common needs no feature, and nothing needs the application', () => {
        const graph = graphOf(sources);
        for (const common of ['api', 'components', 'time', 'toast']) {
            expect([...(graph.get(common) ?? [])].filter((each) => each.startsWith('features/') || each === 'app'), common).toEqual([]);
        }
        for (const [folder, needs] of graph) if (folder !== 'main') expect(needs.has('app'), folder).toBe(false);
    });
});
