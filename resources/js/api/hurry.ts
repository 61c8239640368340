/** RFC 9218: what nobody waits for. */
const LATER = 'u=6';

let hurry = true;

/** Whatever is asked by this, nobody waits for: it lets those go first who do. */
export async function withoutHurry<Result>(ask: () => Promise<Result>): Promise<Result> {
    hurry = false;
    try {
        const asked = ask();
        // What is asked anew is under way by the next turn; from then on others ask.
        setTimeout(() => (hurry = true));
        return await asked;
    } finally {
        hurry = true;
    }
}

/** How urgent what is asked now is, where it is not as urgent as anything. */
export function priority(): string | null {
    return hurry ? null : LATER;
}
