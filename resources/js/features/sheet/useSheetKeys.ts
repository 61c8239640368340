import { useEffect, type RefObject } from 'react';
import { useLatest } from '@/components/useLatest';
import type { Item } from './geometry';
import { resized, type Move } from './landing';
import type { LaneRow } from './rows';

type Board = {
    view: string;
    itemOf: (key: string) => Item | undefined;
    rows: readonly LaneRow[];
    onMove: (move: Move) => void;
    onOpen: (item: Item) => void;
    /** Begins an event in a cell, at the minutes from midnight where it was pointed at an hour. */
    onBegin: (cell: HTMLElement, y: number | null, layer: number | null) => void;
};

const DAY = 24 * 60;
const QUARTER = 15;
const STEPS: Record<string, [number, number]> = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] };

/**
 * The keyboard and the click on the sheet, for every view. In a cell the arrows go from day to day and Enter begins an
 * event; on an event Shift and the arrows move it, with Alt they take its end.
 */
export function useSheetKeys(ref: RefObject<HTMLElement | null>, board: Board) {
    const latest = useLatest(board);
    useEffect(() => {
        const sheet = ref.current;
        if (sheet === null) return;
        const listening = new AbortController();
        const { signal } = listening;
        sheet.addEventListener('click', (event) => {
            if (!(event.target instanceof Element)) return;
            const face = event.target.closest<HTMLElement>('[data-item]');
            const item = face === null ? undefined : latest.current.itemOf(face.dataset.item ?? '');
            if (item !== undefined) return latest.current.onOpen(item);
            if (event.target.closest('button, a, input, select') !== null) return;
            const cell = event.target.closest<HTMLElement>('[data-cell]');
            const side = event.target.closest<HTMLElement>('[data-side]')?.dataset.side;
            if (cell !== null) latest.current.onBegin(cell, event.clientY, side === undefined ? null : Number(side));
        }, { signal });
        sheet.addEventListener('keydown', (event) => {
            if (!(event.target instanceof HTMLElement)) return;
            const step = STEPS[event.key];
            if (event.target.matches('[data-item]')) {
                const item = latest.current.itemOf(event.target.dataset.item ?? '');
                if (item === undefined || step === undefined || !event.shiftKey) return;
                event.preventDefault();
                const move = event.altKey ? lengthened(item, step, latest.current.view) : carried(item, step, event.target, latest.current);
                if (move !== null) latest.current.onMove(move);
            } else if (event.target.matches('[data-cell]')) {
                if (step !== undefined && !event.shiftKey) {
                    event.preventDefault();
                    const [row, column] = (event.target.dataset.cell ?? '0:0').split(':').map(Number);
                    sheet.querySelector<HTMLElement>(`[data-cell="${(row ?? 0) + step[0]}:${(column ?? 0) + step[1]}"]`)?.focus();
                } else if (event.key === 'Enter') {
                    event.preventDefault();
                    latest.current.onBegin(event.target, null, null);
                }
            } else if (event.target.matches('[role=grid]') && step !== undefined) {
                event.preventDefault();
                event.target.querySelector<HTMLElement>('[data-cell]')?.focus();
            }
        }, { signal });
        return () => listening.abort();
    }, [ref, latest]);
}

function inHours(view: string, item: Item): boolean {
    return (view === 'week' || view === 'day') && !item.allDay;
}

function lengthened(item: Item, [down, right]: [number, number], view: string): Move | null {
    if (inHours(view, item)) return down === 0 ? null : resized(item, 'end', down * QUARTER);
    return right === 0 ? null : resized(item, 'end', right * DAY);
}

/** Left and right by a day; up and down to the next row in lanes, by a quarter of an hour in hours, by a week elsewhere. */
function carried(item: Item, [down, right]: [number, number], face: HTMLElement, { view, rows }: Board): Move | null {
    if (right !== 0) return { item, startBy: right * DAY, endBy: right * DAY, rows: null };
    if (view === 'lanes') {
        const from = Number(face.closest<HTMLElement>('[data-cell]')?.dataset.row ?? 0);
        const [left, next] = [rows[from], rows[from + down]];
        return left === undefined || next === undefined ? null : { item, startBy: 0, endBy: 0, rows: { from: left, to: next } };
    }
    const by = down * (inHours(view, item) ? QUARTER : 7 * DAY);
    return { item, startBy: by, endBy: by, rows: null };
}
