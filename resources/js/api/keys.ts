/**
 * A key for each thing that is asked for (Idempotency-Key), so that it is done once: a second click while the first is under
 * way has the same key, and so has whoever asks again because no answer came. The same asked for later is another thing.
 */

/** What is under way, or has had no answer: its key by what is asked for. */
const open = new Map<string, string>();

/** After an answer a click may still be on its way. What is made anew is not wanted twice within so many milliseconds. */
const LINGER = 1000;

/** Keys of what was answered already, by the path that it was asked at. */
const answered = new Map<string, Set<string>>();

const MADE = /\/(events|calendars|categories|overlays|groups|rooms|people|sources|feeds|publications|requests|copies|weeks)$/;

export function keyOf(path: string, body: string): string {
    const asked = `${path} ${body}`;
    const known = open.get(asked);
    if (known !== undefined) return known;
    // Whoever goes on with something else has ended what was there before: that it is asked for again is no second click.
    for (const earlier of answered.get(path) ?? []) forget(earlier);
    answered.delete(path);
    const key = crypto.randomUUID();
    open.set(asked, key);
    return key;
}

/** An answer came: what was asked for is done, or refused and not done. */
export function closeKey(key: string, path: string, done: boolean): void {
    if (!done || !MADE.test(path)) {
        forget(key);
        return;
    }
    answered.set(path, (answered.get(path) ?? new Set()).add(key));
    setTimeout(() => {
        answered.get(path)?.delete(key);
        forget(key);
    }, LINGER);
}

function forget(key: string): void {
    for (const [asked, each] of open) if (each === key) open.delete(asked);
}
