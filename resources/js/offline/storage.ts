import { frameKey } from '@/api/frame';

type Kept = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> & { names: () => string[] };

/**
 * What this browser keeps for the application; where it keeps nothing, as long as the page is open. In a frame on another site
 * nothing is kept: the next at the same screen may be somebody else.
 */
export const storage: Kept = ofBrowser() ?? inMemory();

function ofBrowser(): Kept | null {
    if (frameKey !== null) return null;
    try {
        const { localStorage } = window;
        return { getItem: (name) => localStorage.getItem(name), setItem: (name, value) => localStorage.setItem(name, value), removeItem: (name) => localStorage.removeItem(name), names: () => Object.keys(localStorage) };
    } catch {
        // Whoever forbids it is refused the mere look at it.
        return null;
    }
}

function inMemory(): Kept {
    const kept = new Map<string, string>();
    return { getItem: (name) => kept.get(name) ?? null, setItem: (name, value) => void kept.set(name, value), removeItem: (name) => void kept.delete(name), names: () => [...kept.keys()] };
}
