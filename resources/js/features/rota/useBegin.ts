import { useCallback, useEffect, useRef } from 'react';
import type { Calendar } from '@/features/calendars/useCalendars';
import { lastTarget } from '@/features/events/lastTarget';
import { takeBegun } from '@/features/sheet/beginLater';
import type { Beginning, Draft, Rota } from '@/features/sheet/RotaContext';
import { noteOpener } from '@/features/sheet/sheetFocus';
import type { RotaSearch } from '@/features/sheet/rotaSearch';
import type { Sheet } from '@/features/sheet/useSheet';
import { addDays, addMinutes } from '@/time/dates';
import { toast } from '@/toast/toast';

let beginnings = 0;

type Scene = {
    search: RotaSearch;
    go: Rota['go'];
    calendars: readonly Calendar[] | undefined;
    /** The calendar that is looked at alone. */
    single: Calendar | undefined;
    layers: Sheet['layers'] | undefined;
    /** Whether the layers will not come. */
    failed: boolean;
    hidden: ReadonlySet<number>;
    /** Who takes part in whatever is begun here, where nothing else is said. */
    taking: Pick<Beginning, 'participants'>;
    /** By which the last target is remembered. */
    overlay: string;
    setDraft: (draft: Draft | null) => void;
};

/** Begins an event: at once, or as soon as it is known on which calendars it could go. */
export function useBegin(scene: Scene): Rota['begin'] {
    const { search, go, calendars, single, layers, failed, hidden, taking, overlay, setDraft } = scene;
    const waiting = useRef<Beginning | null>(null);
    const ready = calendars !== undefined && (layers !== undefined || failed);
    const begin = useCallback(
        (beginning: Beginning) => {
            if (search.as !== undefined) return;
            if (!ready) {
                waiting.current = beginning;
                return;
            }
            noteOpener();
            const { start, end, allDay, calendar: target, title = '', ...has } = beginning;
            const write = (on: string) => {
                go({ event: undefined, occurrence: undefined });
                setDraft({ ...taking, ...has, begun: ++beginnings, calendar: on, title, allDay, start, end: end ?? (allDay ? addDays(start, 1) : addMinutes(start, 60)) });
            };
            const open = calendars.filter((each) => each.mayAdd);
            const [first] = open;
            if (single !== undefined && !single.mayAdd && target === null) {
                // Said at once, not at saving.
                return void toast.error(`You may look at “${single.name}”, not add to it.`, first === undefined ? {} : { action: { label: `Add to ${first.name}`, onClick: () => write(first.slug) } });
            }
            if (first === undefined) return void toast.error('There is no calendar yet that you may add to.');
            // The one it was begun in, then the one that was used here last; else whoever writes says which.
            const inView = (layers ?? []).filter((layer, index) => layer.target !== null && !hidden.has(index)).flatMap((layer) => layer.calendars.filter((slug) => open.some((each) => each.slug === slug)));
            const last = lastTarget(overlay);
            const only = new Set(inView).size === 1 ? inView[0] : undefined;
            write(target ?? (last !== null && inView.includes(last) ? last : undefined) ?? only ?? (open.length === 1 ? first.slug : ''));
        },
        [search.as, ready, calendars, single, layers, hidden, taking, overlay, go, setDraft],
    );
    useEffect(() => {
        if (!ready) return;
        const begun = waiting.current ?? takeBegun();
        waiting.current = null;
        if (begun !== null) begin(begun);
    }, [ready, begin]);
    return begin;
}
