import type { Beginning } from './RotaContext';

let waiting: Beginning | null = null;

/** Keeps an event that is begun on another page for the rota, which is on its way. */
export function beginLater(beginning: Beginning): void {
    waiting = beginning;
}

/** What was begun on another page, once. */
export function takeBegun(): Beginning | null {
    const begun = waiting;
    waiting = null;
    return begun;
}
