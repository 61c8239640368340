import type { Rota } from './RotaContext';

/** Through what somebody looks, as the server is told: it decides on which calendars they would see a new event. */
export type InView = { overlay?: string | undefined; through?: string | undefined; hidden: readonly number[] };

export function inViewOf({ through, hidden }: Pick<Rota, 'through' | 'hidden'>): InView {
    return { overlay: through.calendar === undefined && through.overlay !== 'all' ? through.overlay : undefined, through: through.calendar, hidden: [...hidden].sort((a, b) => a - b) };
}

/** The name of what is looked through: by it the calendar is remembered on which something was put last. */
export function placeOf({ calendar, overlay }: Rota['through']): string {
    return calendar ?? overlay;
}
