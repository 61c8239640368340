/** What stands on lines of their own; empty ones are none. */
export function linesOf(text: string): string[] {
    return text
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== '');
}
