import { useEffect, type RefObject } from 'react';
import { useLatest } from '@/components/useLatest';
import type { Item } from './geometry';
import { resized, type Move } from './landing';
import type { LaneRow } from './rows';
import { focusCell } from './sheetFocus';
import { besideInCell } from './useItemStops';

type Board = {
    view: string;
    itemOf: (key: string) => Item | undefined;
    rows: readonly LaneRow[];
    onMove: (move: Move) => void;
    onOpen: (item: Item) => void;
    /** Begins an event in a cell, at the minutes from midnight where it was pointed at an hour. */
    onBegin: (cell: HTMLElement, y: number | null, layer: number | null) => void;
    onDelete: (item: Item) => void;
    /** To the next or the previous stretch of days. */
    onStep: (direction: 1 | -1) => void;
    today: string;
};

const DAY = 24 * 60;
const QUARTER = 15;
const STEPS: Record<string, [number, number]> = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] };

/**
 * The keyboard and the click on the sheet, for every view. In a cell the arrows go from day to day, Home and End to the
 * first and last of the row, Page up and Page down to other days, and Enter begins an event; on an event up and down lead
 * to the others of its cell, left and right to the cells beside, Shift and the arrows move it, with Alt they take its end,
 * and Delete deletes it.
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
            if (event.target.closest('button:not([data-add]), a, input, select') !== null) return;
            const cell = event.target.closest<HTMLElement>('[data-cell]');
            const side = event.target.closest<HTMLElement>('[data-side]')?.dataset.side;
            if (cell !== null) latest.current.onBegin(cell, event.clientY, side === undefined ? null : Number(side));
        }, { signal });
        sheet.addEventListener('keydown', (event) => {
            if (!(event.target instanceof HTMLElement)) return;
            const done = event.target.matches('[data-item]') ? onItem(event, event.target, latest.current) : event.target.matches('[data-cell]') ? onCell(event, event.target, sheet, latest.current) : onGrid(event, event.target, latest.current);
            if (done) event.preventDefault();
        }, { signal });
        return () => listening.abort();
    }, [ref, latest]);
}

/** Each tells whether the key was for it. */
function onItem(event: KeyboardEvent, face: HTMLElement, board: Board): boolean {
    const item = board.itemOf(face.dataset.item ?? '');
    const step = STEPS[event.key];
    if (item === undefined) return false;
    if (event.key === 'Delete') {
        board.onDelete(item);
        return true;
    }
    if (step === undefined) return false;
    if (event.shiftKey) {
        const move = event.altKey ? lengthened(item, step, board.view) : carried(item, step, face, board);
        if (move !== null) board.onMove(move);
        return true;
    }
    const [down, right] = step;
    const cell = face.closest<HTMLElement>('[data-cell]');
    const next = down !== 0 ? besideInCell(face, down > 0 ? 1 : -1) : cell === null ? besideInCell(face, right > 0 ? 1 : -1) : cellBeside(cell, step);
    next?.focus();
    return true;
}

function onCell(event: KeyboardEvent, cell: HTMLElement, sheet: HTMLElement, board: Board): boolean {
    const step = STEPS[event.key];
    if (step !== undefined && !event.shiftKey) {
        cellBeside(cell, step)?.focus();
    } else if (event.key === 'Enter') {
        board.onBegin(cell, null, null);
    } else if (event.key === 'Home' || event.key === 'End') {
        const row = [...sheet.querySelectorAll<HTMLElement>(`[data-cell^="${placeOf(cell)[0]}:"]`)];
        (event.key === 'Home' ? row[0] : row.at(-1))?.focus();
    } else if (event.key === 'PageUp' || event.key === 'PageDown') {
        focusCell(cell.dataset.cell ?? '');
        board.onStep(event.key === 'PageUp' ? -1 : 1);
    } else {
        return false;
    }
    return true;
}

function onGrid(event: KeyboardEvent, grid: HTMLElement, { onStep, today }: Board): boolean {
    if (!grid.matches('[role=grid]')) return false;
    if (event.key === 'PageUp' || event.key === 'PageDown') onStep(event.key === 'PageUp' ? -1 : 1);
    else if (STEPS[event.key] !== undefined) (grid.querySelector<HTMLElement>(`[data-cell][data-day="${today}"]`) ?? grid.querySelector<HTMLElement>('[data-cell]'))?.focus();
    else return false;
    return true;
}

function placeOf(cell: HTMLElement): [number, number] {
    const [row = 0, column = 0] = (cell.dataset.cell ?? '0:0').split(':').map(Number);
    return [row, column];
}

function cellBeside(cell: HTMLElement, [down, right]: [number, number]): HTMLElement | null {
    const [row, column] = placeOf(cell);
    return cell.closest('[role=grid]')?.querySelector<HTMLElement>(`[data-cell="${row + down}:${column + right}"]`) ?? null;
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
