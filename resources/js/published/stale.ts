/** For so long what was read is as good as new: one answer may be late, two are not. */
const FRESH_MINUTES = 3;

/** What a screen says of how old it is, in milliseconds; nothing where it is not old. */
export function staleWords(age: number): string | null {
    const minutes = Math.floor(age / 60_000);
    if (minutes < FRESH_MINUTES) return null;
    if (minutes < 120) return `As it was ${minutes} minutes ago: nothing newer can be had at the moment.`;
    return `As it was ${Math.floor(minutes / 60)} hours ago: nothing newer can be had at the moment.`;
}
