/**
 * A key for each thing that is asked for (Idempotency-Key), so that it is done once: a second click while the first is under
 * way has the same key, and so has whoever asks again because no answer came. The same asked for later is another thing.
 */

/** What is under way, or has had no answer: its key by what is asked for. */
const open = new Map<string, string>();

/** After an answer a click may still be on its way. What is made anew is not wanted twice within so many milliseconds. */
const LINGER = 1000;

const MADE = /\/(events|calendars|categories|overlays|groups|rooms|people|sources|feeds|requests|copies|weeks)$/;

export function keyOf(path: string, body: string): string {
    const asked = `${path} ${body}`;
    const known = open.get(asked);
    if (known !== undefined) return known;
    const key = crypto.randomUUID();
    open.set(asked, key);
    return key;
}

/** An answer came: what was asked for is done, or refused and not done. */
export function closeKey(key: string, path: string, done: boolean): void {
    const close = () => {
        for (const [asked, each] of open) if (each === key) open.delete(asked);
    };
    if (done && MADE.test(path)) setTimeout(close, LINGER);
    else close();
}
