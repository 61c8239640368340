import { Problem } from './client';

/** So often it is asked again where no answer came, and how long is waited between, in milliseconds. */
const TRIES = 30;
const PAUSE = 1500;

/** What says nothing of whether it was done: no connection, or somebody in between who gave up. */
function isLost(error: unknown): boolean {
    return error instanceof Problem && [0, 502, 503, 504].includes(error.status);
}

/**
 * Asks until an answer comes. What is asked for has a key of its own, so it is done once, however often it is asked for: whoever
 * asks again is told what became of it, or has it done.
 */
export async function untilAnswered<Answer>(ask: () => Promise<Answer>): Promise<Answer> {
    for (let tries = 1; ; tries++) {
        try {
            return await ask();
        } catch (error) {
            if (!isLost(error)) throw error;
            if (tries === TRIES) throw new Problem(0, 'No connection.', 'Whether it was done is not known yet: once you are connected again, look before you try again.', [], null);
        }
        await pause(PAUSE);
    }
}

export function pause(milliseconds: number): Promise<void> {
    return new Promise((resolve) => setTimeout(resolve, milliseconds));
}
