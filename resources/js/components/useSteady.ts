import { useState } from 'react';
import { useLatest } from './useLatest';

// Whatever a function takes, the one that stands for it passes on.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Doings = Record<string, (...told: any[]) => void>;

/** The same functions from one drawing to the next, each doing what was given last under its name: what is given them is not drawn anew for it. */
export function useSteady<Given extends Doings>(given: Given): Given {
    const latest = useLatest(given);
    const [steady] = useState(() => Object.fromEntries(Object.keys(given).map((name) => [name, (...told: unknown[]) => latest.current[name]?.(...told)])) as Given);
    return steady;
}
