import { createContext, useContext } from 'react';
import type { Participant } from '@/features/participants/participants';
import type { Item } from './geometry';
import type { Move } from './landing';
import type { Period, RotaSearch, View } from './rotaSearch';
import type { Schemas } from '@/api/client';
import type { Sheet, Span, Through } from './useSheet';

/** An event that is being written and not saved yet; an all-day one from its first day to the one after its last. */
export type Draft = { /** Anew with each place that is pointed at. */ begun: number; calendar: string; title: string; allDay: boolean; start: string; end: string; place?: string; categories?: string[]; participants?: Participant[]; status?: Schemas['Event']['status']; private?: boolean; busy?: boolean; description?: string; repeat?: Schemas['UnderstoodLine']['repeat']; /** What was written of it earlier and not saved, and under which name. */ kept?: { name: string; values: unknown } };

/** Where an event is begun: what it has from there, and the calendar where the place suggests one. */
export type Beginning = Omit<Draft, 'begun' | 'calendar' | 'title' | 'end'> & { calendar: string | null; title?: string; end?: string };

export type Rota = {
    search: RotaSearch;
    /** Changes a part of the address; the rest stays. */
    go: (change: Partial<RotaSearch>) => void;
    overlay: string;
    /** How the overlay opens as a table, where it does. */
    opening: Schemas['OpeningTable'] | null;
    /** How far a table looks from its date on. */
    period: Period;
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
    /** Whether an item is the one that is open. */
    chosen: (item: Item) => boolean;
    begin: (beginning: Beginning) => void;
    open: (item: Item) => void;
    move: (move: Move) => void;
    /** Deletes it; of a series it is asked which times are meant. */
    remove: (item: Item) => void;
    /** Says why something is not done. */
    refuse: (why: string) => void;
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
