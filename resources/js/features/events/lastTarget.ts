import { storage } from '@/offline/storage';

const KEY = 'rota.target.';

/** Remembers, in this browser, on which calendar an event was put last while looking through an overlay, or anywhere else. */
export function rememberTarget(overlay: string, calendar: string): void {
    storage.setItem(KEY + overlay, calendar);
}

/** On which calendar the last event went from here; null where none did yet. */
export function lastTarget(overlay: string): string | null {
    return storage.getItem(KEY + overlay);
}
