const KEY = 'rota.kind';

/** What was added last in this browser: something that lasts whole days, or hours. */
export function lastKind(): 'whole' | 'hours' {
    return localStorage.getItem(KEY) === 'whole' ? 'whole' : 'hours';
}

export function rememberKind(allDay: boolean): void {
    localStorage.setItem(KEY, allDay ? 'whole' : 'hours');
}
