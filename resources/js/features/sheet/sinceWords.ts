import type { Schemas } from '@/api/client';
import { formatWhen } from '@/time/dates';

type Change = Schemas['SinceChange'];

const PARTS: Record<Change['parts'][number], string> = { time: 'time', title: 'title', place: 'place', description: 'description', link: 'link', categories: 'categories', people: 'people', state: 'state' };

/** What became of it, in a few words. */
export function sinceWords(change: Change): string {
    const others = change.parts.filter((part) => part !== 'time').map((part) => PARTS[part]);
    const too = others.length === 0 ? '' : `; ${listed(others)} changed`;
    switch (change.kind) {
        case 'added':
            return 'new';
        case 'cancelled':
            return change.is === null ? 'gone' : 'cancelled';
        case 'moved':
            if (change.is === null) return `moved away from here${too}`;
            return change.was === null ? `moved to here${too}` : `moved from ${formatWhen(change.was)}${too}`;
        case 'changed':
            return `${listed(others)} changed`;
    }
}

/** The same as it is said with its name on the sheet: what of it changed is told where there is room. */
export function sinceSaid(change: Change): string {
    if (change.kind === 'changed') return 'different';
    return change.kind === 'moved' && change.is !== null && change.was !== null ? `moved from ${formatWhen(change.was)}` : sinceWords({ ...change, parts: [] });
}

/** Of a ghost: where that is now which was here. */
export function ghostWords(change: Change): string {
    return change.is === null ? 'It was here, and is gone.' : `It was here. Now: ${formatWhen(change.is)}.`;
}

function listed(parts: string[]): string {
    return parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
}
