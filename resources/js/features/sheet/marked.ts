import type { Schemas } from '@/api/client';
import { itemKey, type Item } from './geometry';

type Change = Schemas['SinceChange'];

/** Where something was that is elsewhere now, or nowhere: it is drawn there as a ghost. */
export function wasElsewhere({ kind, is, was }: Change): boolean {
    return was !== null && (is === null || (kind === 'moved' && (is.start !== was.start || is.end !== was.end || is.layer !== was.layer)));
}

/** By what an item on the sheet and what became of it find each other. */
function nameOf({ id, occurrence }: Pick<Change, 'id' | 'occurrence'>): string {
    return `${id}:${occurrence ?? ''}`;
}

/** By what the ghost of a change goes on the sheet. */
export function ghostKey(change: Change): string {
    return itemKey(ghostOf(change));
}

/**
 * The items of a sheet with what became of them, and with ghosts where something was; in order of start, as they came.
 *
 * @param ghosts whether those stand among them: where rows are told apart by something else than layers, it is not known in which
 */
export function marked(items: readonly Item[], changes: readonly Change[], ghosts = true): readonly Item[] {
    if (changes.length === 0) return items;
    const byName = new Map(changes.filter(({ is }) => is !== null).map((change) => [nameOf(change), change]));
    const told = items.map((item) => {
        const since = byName.get(nameOf(item));
        return since === undefined ? item : { ...item, since };
    });
    if (!ghosts) return told;
    const gone = changes.flatMap((change) => (wasElsewhere(change) ? [ghostOf(change)] : []));
    return gone.length === 0 ? told : [...told, ...gone].sort((a, b) => (a.start < b.start ? -1 : a.start > b.start ? 1 : 0));
}

function ghostOf(change: Change): Item {
    const { layer = 0, title = '', place = '', allDay = false, start = '', end = '' } = change.was ?? {};
    return {
        id: change.id, occurrence: `was ${change.occurrence ?? ''} ${start}`, layer, calendar: '', also: [], title, place, categories: [], responsible: [], allDay, start, end,
        status: 'confirmed', busyOnly: false, private: false, repeats: false, hold: null, external: false, unanswered: false, since: change, ghost: true,
    };
}
