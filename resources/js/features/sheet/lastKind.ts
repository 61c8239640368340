import { storage } from '@/offline/storage';

const KEY = 'rota.kind';

/** What was added last in this browser: something that lasts whole days, or hours. */
export function lastKind(): 'whole' | 'hours' {
    return storage.getItem(KEY) === 'whole' ? 'whole' : 'hours';
}

export function rememberKind(allDay: boolean): void {
    storage.setItem(KEY, allDay ? 'whole' : 'hours');
}
