import { frameKey } from '@/api/frame';
import { storage } from './storage';

/** Where what was read last is kept for a time without a network; public/sw.js fills it and reads from it. */
const READ = 'rota-read';

/** Whether whoever is signed in stays so on this device: only there anything may be kept. */
const STAYS = 'rota.stays';

export function noteStay(stays: boolean): void {
    // Within a frame on another site nobody stays signed in; where it is a neighbour of ours, the storage is that of the product itself.
    if (frameKey !== null) return;
    if (stays) storage.setItem(STAYS, 'yes');
    else storage.removeItem(STAYS);
}

/** Makes of the page an application of this device, which what was read last is kept for where one stays signed in. */
export function beOfDevice(): void {
    if (!('serviceWorker' in navigator) || !('caches' in window)) return;
    // Without one all is as it was: nothing of it is missed but what there is without a network.
    void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
    void (storage.getItem(STAYS) === null ? caches.delete(READ) : caches.open(READ)).catch(() => undefined);
}

/** What one may see has changed: what was read before may be hidden by now. */
export async function forgetRead(): Promise<void> {
    if (frameKey !== null || !('caches' in window) || !(await caches.delete(READ)) || storage.getItem(STAYS) === null) return;
    await caches.open(READ);
}

/** Nothing of one person's is left to the next. */
export async function leaveDevice(): Promise<void> {
    noteStay(false);
    if (frameKey === null && 'caches' in window) await caches.delete(READ);
}
