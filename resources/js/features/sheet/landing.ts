import type { Schemas } from '@/api/client';
import { addDays, addMinutes, daysBetween, minutesBetween } from '@/time/dates';
import { knownOf } from '@/features/participants/participants';
import type { Item } from './geometry';
import type { LaneRow } from './rows';

const DAY = 24 * 60;

/** Where an item is taken: its start and end by so many minutes (whole days for what lasts whole days), or to another row. */
export type Move = { item: Item; startBy: number; endBy: number; rows: { from: LaneRow; to: LaneRow } | null };

export const HOLDS: Record<NonNullable<Item['hold']>, string> = {
    hidden: 'What it is is hidden from you, so it stays where it is.',
    outside: 'It comes from outside and is changed there.',
    archived: 'Its calendar is archived, so nothing on it changes.',
    level: 'You may look at this event, not change it.',
    pinned: 'It is pinned here, and is changed on its own calendar.',
    looking: 'You look with somebody else’s eyes; nothing can be changed.',
};

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
    const room = Math.max(0, length - least);
    return end === 'end' ? { item, startBy: 0, endBy: Math.max(minutes, -room), rows: null } : { item, startBy: Math.min(minutes, room), endBy: 0, rows: null };
}

/** Why an item may not go there; null where it may. */
export function refusalOf({ item, rows }: Move): string | null {
    if (item.hold !== null) return HOLDS[item.hold];
    if (rows === null) return null;
    const { to } = rows;
    if (to.key === '*') return 'Nothing can be put among what is hidden from you.';
    if (to.kind !== 'layer' && to.kind !== 'calendar') return null;
    if (item.pinned === true) return 'It is pinned to several calendars. Open it to move it to another.';
    if (to.calendars?.includes(item.calendar) === true) return 'Both layers are of its calendar: what tells them apart is in the event itself.';
    return to.target == null ? `You may not add to ${to.name}.` : null;
}

/** What changes of an event that goes to another row. */
export function rowChange({ from, to }: NonNullable<Move['rows']>, event: Schemas['Event']): Schemas['EventChange'] {
    switch (to.kind) {
        case 'place':
            return { place: to.key === '' ? '' : to.name };
        case 'category':
            return { categories: [...event.categories.filter((name) => name.toLowerCase() !== from.key && name.toLowerCase() !== to.key), ...(to.key === '' ? [] : [to.name])] };
        case 'person': {
            const stays = event.participants.filter((each) => !(each.kind === 'person' && each.part === 'responsible' && String(each.id) === from.key) && !(each.kind === 'person' && String(each.id) === to.key));
            return { participants: [...knownOf(stays), ...(to.key === '' ? [] : [{ kind: 'person' as const, id: Number(to.key), part: 'responsible' as const }])] };
        }
        default:
            return { calendar: to.target ?? event.calendar };
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
