import { useCalendars, type Calendar } from '@/features/calendars/useCalendars';
import { lastTarget } from '@/features/events/lastTarget';
import type { LineHost } from './useLineHost';
import type { UnderstoodLine } from './useLine';

/** The calendars that one may add to, those first on which the event of a line would be seen here. */
export function useTargets() {
    const calendars = useCalendars();
    return { known: calendars.data !== undefined, calendars: calendars.data ?? [], targets: calendars.data?.filter((each) => each.mayAdd) ?? [] };
}

/** On which calendar a line goes: the one that was chosen or named, where such an event went last, where one put something from here last. */
export function targetOf(line: Pick<UnderstoodLine, 'calendar' | 'showsOn'>, chosen: string | null, targets: readonly Calendar[], host: Pick<LineHost, 'overlay'>): Calendar | undefined {
    const of = (slug: string | null | undefined) => (slug == null ? undefined : targets.find((each) => each.slug === slug));
    const last = of(lastTarget(host.overlay));
    return of(chosen) ?? of(line.calendar) ?? (last !== undefined && line.showsOn.includes(last.slug) ? last : undefined) ?? (line.showsOn.length === 1 ? of(line.showsOn[0]) : undefined) ?? (targets.length === 1 ? targets[0] : undefined);
}

/** The next one to go on, in the order in which they show. */
export function nextTarget(line: Pick<UnderstoodLine, 'showsOn'>, now: Calendar | undefined, targets: readonly Calendar[], by: 1 | -1): string | null {
    const rank = (each: Calendar) => (line.showsOn.includes(each.slug) ? line.showsOn.indexOf(each.slug) : line.showsOn.length);
    const order = [...targets].sort((a, b) => rank(a) - rank(b));
    const at = now === undefined ? (by === 1 ? -1 : 0) : order.findIndex((each) => each.slug === now.slug);
    return order[(at + by + order.length) % order.length]?.slug ?? null;
}
