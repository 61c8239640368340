import { createContext, useContext } from 'react';
import type { Item } from '@/features/sheet/geometry';
import type { RotaSearch, View } from './rotaSearch';
import type { Sheet, Span, Through } from './useSheet';

/** An event that is being written and not saved yet. */
export type Draft = { calendar: string; title: string; allDay: boolean; start: string; end: string };

export type Rota = {
    search: RotaSearch;
    /** Changes a part of the address; the rest stays. */
    go: (change: Partial<RotaSearch>) => void;
    overlay: string;
    view: View;
    date: string;
    today: string;
    /** The wall time in the reader's zone, told anew each minute. */
    now: string;
    zone: string;
    span: Span;
    /** The days that the view is about: a month's own, or all that lanes show. */
    focus: Span;
    step: (direction: 1 | -1) => void;
    /** Through what it is looked. */
    through: Through;
    sheet: Sheet | undefined;
    hidden: ReadonlySet<number>;
    /** Begins an event in the empty space of a day. */
    begin: (day: string, calendar: string | null, time?: string) => void;
    open: (item: Item) => void;
    move: (item: Item, day: string) => void;
};

export const RotaContext = createContext<Rota | null>(null);

/** Apart from the rest, so that typing a title draws nothing anew but the pending event. */
export const DraftContext = createContext<{ draft: Draft | null; setDraft: (draft: Draft | null) => void } | null>(null);

export function useDraft() {
    const draft = useContext(DraftContext);
    if (draft === null) throw new Error('There is no rota here.');
    return draft;
}

export function useRota(): Rota {
    const rota = useContext(RotaContext);
    if (rota === null) throw new Error('There is no rota here.');
    return rota;
}
