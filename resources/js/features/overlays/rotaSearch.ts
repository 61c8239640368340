import { isDate } from '@/time/dates';

export const VIEWS = ['lanes', 'day', 'week', 'month', 'year', 'list'] as const;

export type View = (typeof VIEWS)[number];

/** What the address of the rota says: it is the state, so that a copied address shows the same. */
export type RotaSearch = {
    /** A kept overlay by its slug, or `all`. */
    overlay?: string;
    /** A single calendar by its slug, looked at on its own. */
    calendar?: string;
    /** The person as whom a manager looks at it. */
    as?: number;
    view?: View;
    date?: string;
    categories?: string[];
    /** Layers that are toggled off, by position. */
    off?: number[];
    event?: number;
    occurrence?: string;
};

export function readRotaSearch(raw: Record<string, unknown>): RotaSearch {
    const search: RotaSearch = {};
    if (typeof raw.overlay === 'string') search.overlay = raw.overlay;
    if (typeof raw.calendar === 'string') search.calendar = raw.calendar;
    if (search.calendar !== undefined && Number.isInteger(raw.as)) search.as = raw.as as number;
    const view = VIEWS.find((each) => each === raw.view);
    if (view !== undefined) search.view = view;
    if (isDate(raw.date)) search.date = raw.date;
    if (Array.isArray(raw.categories)) search.categories = raw.categories.filter((each) => typeof each === 'string');
    if (Array.isArray(raw.off)) search.off = raw.off.filter((each) => Number.isInteger(each)) as number[];
    if (Number.isInteger(raw.event)) search.event = raw.event as number;
    if (typeof raw.occurrence === 'string') search.occurrence = raw.occurrence;
    return search;
}
