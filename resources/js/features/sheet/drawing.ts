import { useSyncExternalStore } from 'react';
import { storage } from '@/offline/storage';

/** How somebody wants views drawn, in this browser: whole days of one layer apart from each other, all of a month however long it is. */
export type Drawing = 'ribbonsApart' | 'allOfIt';

const KEY = 'rota.drawing.';

const listeners = new Set<() => void>();

export function draws(what: Drawing): boolean {
    return storage.getItem(KEY + what) !== null;
}

export function setDrawing(what: Drawing, on: boolean): void {
    if (on) storage.setItem(KEY + what, '');
    else storage.removeItem(KEY + what);
    listeners.forEach((changed) => changed());
}

function onDrawing(changed: () => void): () => void {
    listeners.add(changed);
    return () => void listeners.delete(changed);
}

export function useDrawing(what: Drawing): boolean {
    return useSyncExternalStore(onDrawing, () => draws(what));
}
