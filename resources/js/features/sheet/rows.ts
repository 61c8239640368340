import type { Schemas } from '@/api/client';
import type { Ink, MarkName } from '@/components/Mark';
import type { Draft } from './RotaContext';
import type { Grouping } from './rotaSearch';
import type { Sheet } from './useSheet';
import type { Item } from './geometry';

/** A row of lanes: a layer, or whatever else they are told apart by. */
export type LaneRow = {
    kind: Grouping;
    /** As the server names it; empty for what cannot be told apart, * for what is hidden. */
    key: string;
    name: string;
    about: string;
    ink: Ink | null;
    mark: MarkName | null;
    /** The calendar that an event begun here goes on; null where none may be added to, undefined where any will do. */
    target: string | null | undefined;
    /** Why nothing can be put into it; null where something can. */
    refusal: string | null;
    /** The calendars whose events can stand in it; null where those of any can. */
    calendars: readonly string[] | null;
    /** What an event has that is begun here, so that it shows here. */
    begun: Layer['begun'] | null;
    items: Item[];
};

type Layer = Schemas['SheetLayer'];

/** The rows in order, each with what stands in it. */
export function laneRows(sheet: Sheet, group: Grouping, hidden: ReadonlySet<number>): LaneRow[] {
    if (group === 'layer') {
        const rows = sheet.layers.map((layer): LaneRow => ({ kind: 'layer', key: layer.name, name: layer.name, about: layer.about, ink: layer.colour, mark: layer.mark, target: targetOf(layer), refusal: layer.refusal, calendars: layer.calendars, begun: layer.begun, items: [] }));
        for (const item of sheet.items) rows[item.layer]?.items.push(item);
        return rows.filter((_, index) => !hidden.has(index));
    }
    const rows = sheet.rows.map((row): LaneRow => {
        const layer = row.calendar === null ? undefined : layerOf(sheet.layers, row.calendar);
        return {
            kind: group, key: row.key, name: row.name, about: '', ink: layer?.colour ?? null, mark: layer?.mark ?? null,
            target: group === 'calendar' ? row.target : row.refusal === null ? undefined : null, refusal: row.refusal, calendars: row.calendar === null ? null : [row.calendar], begun: null, items: [],
        };
    });
    for (const item of sheet.items) {
        if (!hidden.has(item.layer)) for (const row of item.rows ?? []) rows[row]?.items.push(item);
    }
    return rows;
}

/** Of a layer of people any calendar will do. */
function targetOf({ target, refusal }: Layer): string | null | undefined {
    return target === null && refusal === null ? undefined : target;
}

function layerOf(layers: readonly Layer[], calendar: string): Layer | undefined {
    return layers.find((layer) => layer.calendars.length === 1 && layer.calendars[0] === calendar);
}

/** What an event has that is begun in a layer: what the layer asks for. */
export function begunInLayer({ categories, status, busy }: Layer['begun']): Pick<Draft, 'categories' | 'status' | 'busy'> {
    return { ...(categories.length === 0 ? {} : { categories }), ...(status === null ? {} : { status }), ...(busy === null ? {} : { busy }) };
}

/** What an event has that is begun in a row. */
export function begunIn(row: LaneRow | null): Pick<Draft, 'place' | 'categories' | 'participants' | 'status' | 'busy'> {
    if (row === null || row.key === '') return {};
    switch (row.kind) {
        case 'layer':
            return row.begun === null ? {} : begunInLayer(row.begun);
        case 'place':
            return { place: row.name };
        case 'category':
            return { categories: [row.name] };
        case 'person':
            return { participants: [{ kind: 'person', id: Number(row.key), name: row.name, part: 'responsible', answer: 'accepted' }] };
        default:
            return {};
    }
}

/** Whether an event that is being written would stand in a row. */
export function wouldStandIn(draft: Draft, row: LaneRow): boolean {
    switch (row.kind) {
        case 'place':
            return (draft.place ?? '').trim().toLowerCase() === row.key;
        case 'category':
            return row.key === '' ? (draft.categories ?? []).length === 0 : (draft.categories ?? []).some((name) => name.toLowerCase() === row.key);
        case 'person':
            return row.key === '' ? responsible(draft).length === 0 : responsible(draft).some((each) => String(each.id) === row.key);
        default:
            return row.calendars?.includes(draft.calendar) === true;
    }
}

function responsible(draft: Draft) {
    return (draft.participants ?? []).filter((each) => each.part === 'responsible');
}
