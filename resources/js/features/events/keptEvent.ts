import { formatDate } from '@/time/dates';
import type { EventValues } from './eventValues';
import type { Scope } from './scope';

export const KEPT = 'event.';

/** The form of an event as it is kept: of a new one, or of one that is being changed. */
export type KeptEvent = { event: number | null; scope: Scope; values: EventValues };

/** Under which name the form of an event that there is already is kept. */
export function keptName(event: number, scope: Scope): string {
    return `${KEPT}${event}:${scope ?? ''}`;
}

export function keptLabel({ title, startDate, startTime, allDay }: EventValues): string {
    const what = title.trim() === '' ? 'an event without a title' : title.trim();
    return startDate === '' ? what : `${what}, ${formatDate(startDate, 'weekdayDay')}${allDay ? '' : ` ${startTime}`}`;
}

const PLACE: (keyof EventValues)[] = ['calendar', 'allDay', 'startDate', 'startTime', 'endDate', 'endTime', 'weekdays', 'until'];

/** Whether anything was written: where a new event was pointed at is no writing. */
export function isTouched(values: EventValues, begun: EventValues, isNew: boolean): boolean {
    // A title is typed, also into the line or while the form is still on its way.
    if (isNew && values.title.trim() !== '') return true;
    return (Object.keys(begun) as (keyof EventValues)[]).some((key) => !(isNew && PLACE.includes(key)) && JSON.stringify(values[key]) !== JSON.stringify(begun[key]));
}
