import { storage } from '@/offline/storage';

const KEY = 'rota.hour';

/** The heights that an hour can be given, in pixels; none of them: as high as lets the working day fit. */
export const HOUR_HEIGHTS = [36, 48, 64, 88] as const;

const listeners = new Set<() => void>();

/** The height chosen in this browser, or null for one that fits. */
export function hourHeight(): number | null {
    const kept = Number(storage.getItem(KEY));
    return HOUR_HEIGHTS.find((each) => each === kept) ?? null;
}

export function onHourHeight(changed: () => void): () => void {
    listeners.add(changed);
    return () => void listeners.delete(changed);
}

/** Makes hours a step higher or lower; lower than the least fits them again. */
export function stepHourHeight(direction: 1 | -1): void {
    const now = hourHeight();
    const index = now === null ? -1 : HOUR_HEIGHTS.findIndex((each) => each === now);
    const next = HOUR_HEIGHTS[Math.min(index + direction, HOUR_HEIGHTS.length - 1)];
    if (next === undefined) storage.removeItem(KEY);
    else storage.setItem(KEY, String(next));
    listeners.forEach((changed) => changed());
}
