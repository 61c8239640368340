/** When what is shown was read, where there is no network to read it anew: the latest answer that was kept. */
let keptAt: string | null = null;

const listeners = new Set<() => void>();

/** Notes of an answer whether it is one that was kept. */
export function noteKept(response: Response): void {
    const told = response.headers.get('Kept-At');
    // Of several that were read at several times the earliest counts; one that comes from the server says that it is there again.
    const next = told === null ? null : keptAt === null || told < keptAt ? told : keptAt;
    if (next === keptAt) return;
    keptAt = next;
    listeners.forEach((listener) => listener());
}

export function readKeptAt(): string | null {
    return keptAt;
}

export function watchKept(listener: () => void): () => void {
    listeners.add(listener);
    return () => void listeners.delete(listener);
}
