import { isDate } from '@/time/dates';
import { STATUSES } from '@/api/generated/words';
import type { Schemas } from '@/api/client';

export const VIEWS = ['lanes', 'day', 'week', 'month', 'year', 'list', 'table'] as const;

export type View = (typeof VIEWS)[number];

/** By what the rows of lanes are told apart. */
export const GROUPINGS = ['layer', 'person', 'place', 'calendar', 'category'] as const;

export type Grouping = (typeof GROUPINGS)[number];

export const MOST_WEEKS = 8;

/** How far a table looks from its date on. */
export const PERIODS = ['month', 'half', 'year', 'all'] as const;

export type Period = (typeof PERIODS)[number];

export type TableColumn = Schemas['OpeningTable']['sort'];

export const TABLE_COLUMNS: TableColumn[] = ['when', 'title', 'calendar', 'place', 'categories', 'status', 'responsible', 'addedBy', 'changedAt'];

/** What the address of the rota says: it is the state, so that a copied address shows the same. */
export type RotaSearch = {
    /** A kept overlay by its slug, or `all`. */
    overlay?: Schemas['Overlay']['slug'];
    /** A single calendar by its slug, looked at on its own. */
    calendar?: string;
    /** A person, the people of a group, or a room, such as `person:12`, looked at alone. */
    of?: string;
    /** The person as whom a manager looks at it. */
    as?: number;
    view?: View;
    date?: string;
    /** How many weeks lanes show. */
    weeks?: number;
    group?: Grouping;
    period?: Period;
    /** How the rows of a table are sorted, which columns it has, and in which state its events are. */
    sort?: TableColumn;
    descending?: boolean;
    columns?: TableColumn[];
    state?: Schemas['Event']['status'];
    /** Whether layers stand side by side in the hours of a day. */
    side?: boolean;
    categories?: string[];
    /** Words that events are to have. */
    words?: string;
    /** People who are to take part in them. */
    people?: number[];
    /** Layers that are toggled off, by position. */
    off?: number[];
    /** A second sheet beside: an overlay by its slug, or `all`; and its date. */
    beside?: string;
    besideDate?: string;
    event?: number;
    occurrence?: string;
    /** Whether the event that is open is being changed. */
    changing?: boolean;
    /** A text that another application of the device handed over, to be written into the one line. */
    shared?: string;
    /** Whether an overlay is being laid. */
    laying?: boolean;
};

const OF = /^(person|group|room):\d+$/;

/** Whether it is looked through an overlay, or one’s own list: at no calendar, and at nobody, alone. */
export function isThroughOverlay({ calendar, of }: RotaSearch): boolean {
    return calendar === undefined && of === undefined;
}

export function readRotaSearch(raw: Record<string, unknown>): RotaSearch {
    const search: RotaSearch = {};
    if (typeof raw.overlay === 'string') search.overlay = raw.overlay;
    if (typeof raw.calendar === 'string') search.calendar = raw.calendar;
    if (typeof raw.of === 'string' && OF.test(raw.of) && search.calendar === undefined) search.of = raw.of;
    if (search.calendar !== undefined && Number.isInteger(raw.as)) search.as = raw.as as number;
    const view = VIEWS.find((each) => each === raw.view);
    if (view !== undefined) search.view = view;
    if (isDate(raw.date)) search.date = raw.date;
    if (Number.isInteger(raw.weeks) && Number(raw.weeks) >= 1 && Number(raw.weeks) <= MOST_WEEKS) search.weeks = Number(raw.weeks);
    const group = GROUPINGS.find((each) => each === raw.group);
    if (group !== undefined && (group !== 'layer' || search.of !== undefined)) search.group = group;
    const period = PERIODS.find((each) => each === raw.period);
    if (period !== undefined) search.period = period;
    const sort = TABLE_COLUMNS.find((each) => each === raw.sort);
    if (sort !== undefined) Object.assign(search, { sort, descending: raw.descending === true || undefined });
    const columns = Array.isArray(raw.columns) ? TABLE_COLUMNS.filter((each) => (raw.columns as unknown[]).includes(each)) : [];
    if (columns.length > 0) search.columns = columns;
    const state = STATUSES.find((each) => each === raw.state);
    if (state !== undefined) search.state = state;
    if (raw.side === true) search.side = true;
    if (Array.isArray(raw.categories)) search.categories = raw.categories.filter((each) => typeof each === 'string');
    if (typeof raw.words === 'string' && raw.words !== '') search.words = raw.words;
    if (Array.isArray(raw.people)) search.people = raw.people.filter((each) => Number.isInteger(each)) as number[];
    if (Array.isArray(raw.off)) search.off = raw.off.filter((each) => Number.isInteger(each)) as number[];
    if (typeof raw.beside === 'string') search.beside = raw.beside;
    if (isDate(raw.besideDate)) search.besideDate = raw.besideDate;
    if (Number.isInteger(raw.event)) search.event = raw.event as number;
    if (typeof raw.occurrence === 'string') search.occurrence = raw.occurrence;
    if (search.event !== undefined && raw.changing === true) search.changing = true;
    const shared = [raw.sharedTitle, raw.shared, raw.sharedLink].filter((each) => typeof each === 'string' && each.trim() !== '').join('\n');
    if (shared !== '') search.shared = shared;
    if (raw.laying === true) search.laying = true;
    return search;
}
