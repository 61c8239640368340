/** What was done with events in this session, the last at the end, and what of it was undone. */
const done: number[] = [];
const undone: number[] = [];

export function remember(operation: number | null): void {
    if (operation === null) return;
    done.push(operation);
    // What was undone cannot be done again over something new.
    undone.length = 0;
}

export function lastDone(): number | undefined {
    return done.at(-1);
}

export function lastUndone(): number | undefined {
    return undone.at(-1);
}

/** Notes that an operation was undone, or done again. */
export function turned(operation: number, back: boolean): void {
    const [from, to] = back ? [done, undone] : [undone, done];
    const at = from.lastIndexOf(operation);
    if (at !== -1) from.splice(at, 1);
    to.push(operation);
}
