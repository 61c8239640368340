import { useMemo, useState } from 'react';

type Chosen = { id: number; version: number };

/** The rows that are chosen, also those that are not drawn; each with the version that is known last. */
export function useSelection(rows: (Chosen & { hold: string | null })[]) {
    const [chosen, setChosen] = useState<ReadonlyMap<number, number>>(new Map());
    const events = useMemo(() => {
        const known = new Map(rows.map((each) => [each.id, each.version]));
        return [...chosen].map(([id, version]) => ({ id, version: known.get(id) ?? version }));
    }, [chosen, rows]);
    const put = (change: (next: Map<number, number>) => void) => {
        const next = new Map(chosen);
        change(next);
        setChosen(next);
    };
    return {
        events,
        has: (id: number) => chosen.has(id),
        toggle: ({ id, version }: Chosen) => put((next) => void (next.delete(id) || next.set(id, version))),
        /** From one row to another, both included. */
        extend: (from: number, to: number) => put((next) => rows.slice(Math.max(0, Math.min(from, to)), Math.max(from, to) + 1).forEach(({ id, version }) => next.set(id, version))),
        all: (every: Chosen[]) => setChosen(new Map(every.map(({ id, version }) => [id, version]))),
        none: () => setChosen(new Map()),
        /** Those alone that are among these; how many are chosen no more. */
        narrow: (to: Chosen[]) => {
            const there = new Set(to.map(({ id }) => id));
            const kept = [...chosen].filter(([id]) => there.has(id));
            if (kept.length < chosen.size) setChosen(new Map(kept));
            return chosen.size - kept.length;
        },
    };
}
