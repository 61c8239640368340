import type { Schemas } from '@/api/client';
import { HOLDS } from '@/api/generated/words';
import { addDays, addMinutes, daysBetween, minutesBetween } from '@/time/dates';
import type { Item } from './geometry';
import type { LaneRow } from './rows';

const DAY = 24 * 60;

/** Where an item is taken: its start and end by so many minutes (whole days for what lasts whole days), or to another row. */
export type Move = { item: Item; startBy: number; endBy: number; rows: { from: LaneRow; to: LaneRow } | null };

/** Adds minutes to a wall time, whole days to a date. */
export function shifted(when: string, minutes: number): string {
    return when.length === 10 ? addDays(when, Math.round(minutes / DAY)) : addMinutes(when, minutes);
}

/** When the item is after the move. */
export function landed({ item, startBy, endBy }: Move): { start: string; end: string; allDay: boolean } {
    return { start: shifted(item.start, startBy), end: shifted(item.end, endBy), allDay: item.allDay };
}

/** The least that an item can be shortened to, in minutes. */
const LEAST = 15;

/** The move that takes one end of an item, never past the other. */
export function resized(item: Item, end: 'start' | 'end', minutes: number): Move {
    const least = item.allDay ? DAY : LEAST;
    const length = item.allDay ? daysBetween(item.start, item.end) * DAY : minutesBetween(item.start, item.end);
    const most = Math.max(0, length - least);
    // What is taken by whole days keeps its hours.
    const room = minutes % DAY === 0 ? Math.floor(most / DAY) * DAY : most;
    return end === 'end' ? { item, startBy: 0, endBy: Math.max(minutes, -room), rows: null } : { item, startBy: Math.min(minutes, room), endBy: 0, rows: null };
}

/** Why an item may not go there; null where it may. */
export function refusalOf({ item, rows }: Move): string | null {
    if (item.ghost === true) return 'It was here, and is no longer.';
    if (item.hold !== null) return HOLDS[item.hold];
    if (rows === null) return null;
    const { to } = rows;
    const isCalendar = to.kind === 'layer' || to.kind === 'calendar';
    if (isCalendar && item.pinned === true) return 'It is pinned to several calendars. Open it to move it to another.';
    if (isCalendar && to.calendars?.includes(item.calendar) === true) return 'Both layers are of its calendar: what tells them apart is in the event itself.';
    return to.refusal;
}

/** What changes of an event that goes to another row. */
export function rowChange({ from, to }: NonNullable<Move['rows']>): Schemas['EventChange'] {
    switch (to.kind) {
        case 'place':
        case 'category':
            return { row: { by: to.kind, from: from.key, to: to.key === '' ? '' : to.name } };
        case 'person':
            return { row: { by: to.kind, from: from.key, to: to.key } };
        default:
            return to.target == null ? {} : { calendar: to.target };
    }
}

/** Where a row change takes it, in words. */
export function rowWords(to: LaneRow): string {
    switch (to.kind) {
        case 'person':
            return to.key === '' ? 'nobody responsible' : `${to.name} responsible`;
        case 'place':
            return to.key === '' ? 'no place' : `at ${to.name}`;
        case 'category':
            return to.key === '' ? 'no category' : to.name;
        default:
            return `on ${to.name}`;
    }
}
