import { useEffect, type RefObject } from 'react';
import { useLatest } from '@/components/useLatest';
import { formatSpan, formatDate, formatWhen, timeOfDay, addDays, addMinutes } from '@/time/dates';
import { minutesFrom, spotAt, type Spot } from './cells';
import { endAt } from './ends';
import type { Item } from './geometry';
import { landed, refusalOf, resized, rowWords, type Move } from './landing';
import type { LaneRow } from './rows';

/** What is being dragged, as it is told beside the pointer. */
export type Lifted = { item: Item | null; words: string; refusal: string | null };

export type Drawn = { start: string; end: string; allDay: boolean; row: number };

type Board = {
    itemOf: (key: string) => Item | undefined;
    rows: readonly LaneRow[];
    mayBegin: boolean;
    onMove: (move: Move) => void;
    onDraw: (drawn: Drawn) => void;
    onLift: (lifted: Lifted | null, x: number, y: number) => void;
};

const SLACK = 5;
/** How long a finger rests on an event before it is lifted, so that it can still scroll. */
const REST = 280;
const EDGE = 28;

type Gesture = { kind: 'move' | 'start' | 'end' | 'draw'; item: Item | null; from: Spot; x: number; y: number; lifted: boolean; resting: number | null; result: Move | Drawn | null };

/**
 * Dragging on the sheet, for every view: an event to another day, hour or row, either end of it, or an empty stretch to
 * begin one in. It listens on the whole sheet and touches no component until it is let go, so that it costs the same
 * however much is drawn.
 */
export function useSheetGestures(ref: RefObject<HTMLElement | null>, board: Board) {
    const latest = useLatest(board);
    useEffect(() => {
        const sheet = ref.current;
        if (sheet === null) return;
        let gesture: Gesture | null = null;
        let frame = 0;
        let over: HTMLElement[] = [];
        let shown: HTMLElement | null = null;
        const listening = new AbortController();
        const { signal } = listening;

        const light = (cells: HTMLElement[]) => {
            for (const cell of over) if (!cells.includes(cell)) delete cell.dataset.over;
            for (const cell of cells) cell.dataset.over = '';
            over = cells;
        };
        const showEnd = ({ target, clientX, clientY }: PointerEvent) => {
            const face = target instanceof Element && sheet.contains(target) ? target.closest<HTMLElement>('[data-resizes]') : null;
            const pointed = face === null ? undefined : endAt(face, clientX, clientY);
            if (shown !== face) delete shown?.dataset.end;
            shown = face;
            if (face !== null && face.dataset.end !== pointed) {
                if (pointed === undefined) delete face.dataset.end;
                else face.dataset.end = pointed;
            }
        };
        const end = () => {
            if (gesture?.resting != null) clearTimeout(gesture.resting);
            cancelAnimationFrame(frame);
            light([]);
            sheet.querySelectorAll('.dragged').forEach((each) => each.classList.remove('dragged'));
            sheet.querySelector('.hours-drawn')?.remove();
            if (gesture?.lifted) latest.current.onLift(null, 0, 0);
            gesture = null;
        };
        const lift = () => {
            if (gesture === null) return;
            gesture.lifted = true;
            if (gesture.item !== null) sheet.querySelectorAll(`[data-item^="${gesture.item.id}:${gesture.item.occurrence ?? ''}:"]`).forEach((each) => each.classList.add('dragged'));
        };
        const follow = (x: number, y: number) => {
            if (gesture === null) return;
            const to = spotAt(x, y, sheet);
            if (to === null) {
                gesture.result = null;
                light([]);
                latest.current.onLift({ item: gesture.item, words: 'Let go to leave it', refusal: null }, x, y);
                return;
            }
            const told = gesture.kind === 'draw' ? drawn(sheet, gesture, to, latest.current.rows) : moved(gesture, to, latest.current.rows);
            gesture.result = told.refusal === null ? told.result : null;
            light(told.cells);
            latest.current.onLift({ item: gesture.item, words: told.words, refusal: told.refusal }, x, y);
        };

        sheet.addEventListener('pointerdown', (event) => {
            if (event.button !== 0 || gesture !== null || !(event.target instanceof Element)) return;
            const face = event.target.closest<HTMLElement>('[data-item]');
            // Buttons on the sheet that are no events do what they say.
            if (face === null && event.target.closest('button, a, input, select') !== null) return;
            const from = spotAt(event.clientX, event.clientY, sheet);
            const item = face === null ? null : (latest.current.itemOf(face.dataset.item ?? '') ?? null);
            if (from === null || (face !== null && item === null) || (face === null && (!latest.current.mayBegin || event.pointerType === 'touch'))) return;
            gesture = { kind: face === null ? 'draw' : (endAt(face, event.clientX, event.clientY) ?? 'move'), item, from, x: event.clientX, y: event.clientY, lifted: false, resting: null, result: null };
            if (event.pointerType === 'touch') {
                gesture.resting = window.setTimeout(() => {
                    lift();
                    follow(event.clientX, event.clientY);
                }, REST);
            }
        }, { signal });
        document.addEventListener('pointermove', (event) => {
            if (gesture === null) return showEnd(event);
            if (!gesture.lifted) {
                if (Math.hypot(event.clientX - gesture.x, event.clientY - gesture.y) < SLACK) return;
                if (event.pointerType === 'touch') return end();
                lift();
            }
            cancelAnimationFrame(frame);
            frame = requestAnimationFrame(() => {
                scrollNear(sheet.closest<HTMLElement>('[data-scroller]'), event.clientX, event.clientY);
                follow(event.clientX, event.clientY);
            });
        }, { signal });
        document.addEventListener('pointerup', (event) => {
            if (gesture === null) return;
            if (gesture.lifted) {
                cancelAnimationFrame(frame);
                follow(event.clientX, event.clientY);
                const { kind, result } = gesture;
                // The click that ends a drag opens nothing.
                const swallow = (click: Event) => click.stopPropagation();
                window.addEventListener('click', swallow, { capture: true });
                window.setTimeout(() => window.removeEventListener('click', swallow, { capture: true }));
                if (result !== null) {
                    if (kind === 'draw') latest.current.onDraw(result as Drawn);
                    else latest.current.onMove(result as Move);
                }
            }
            end();
        }, { signal });
        document.addEventListener('pointercancel', end, { signal });
        document.addEventListener('keydown', (event) => {
            if (gesture?.lifted && event.key === 'Escape') {
                event.stopPropagation();
                end();
            }
        }, { signal, capture: true });
        sheet.addEventListener('touchmove', (event) => gesture?.lifted && event.preventDefault(), { signal, passive: false });
        sheet.addEventListener('contextmenu', (event) => gesture?.lifted && event.preventDefault(), { signal });
        sheet.addEventListener('dragstart', (event) => event.preventDefault(), { signal });
        return () => {
            end();
            listening.abort();
        };
    }, [ref, latest]);
}

type Told = { result: Move | Drawn | null; words: string; refusal: string | null; cells: HTMLElement[] };

function moved({ kind, item, from }: Gesture, to: Spot, rows: readonly LaneRow[]): Told {
    if (item === null) return { result: null, words: '', refusal: null, cells: [] };
    const sameRows = from.kind === 'day' && to.row !== from.row ? { from: rows[from.row], to: rows[to.row] } : null;
    const change = sameRows?.from !== undefined && sameRows.to !== undefined ? { from: sameRows.from, to: sameRows.to } : null;
    const minutes = minutesFrom(from, to);
    // What lasts whole days is taken by whole days.
    const whole = item.allDay ? Math.round(minutes / 1440) * 1440 : minutes;
    const move: Move = kind === 'move' ? { item, startBy: whole, endBy: whole, rows: change } : resized(item, kind === 'start' ? 'start' : 'end', whole);
    const across = kind === 'move' && from.kind !== to.kind;
    const refusal =
        refusalOf(move) ?? (across ? (item.allDay ? 'It lasts whole days. Open it to give it hours.' : 'It has hours. Open it to make it last the day.') : null);
    const nothing = move.startBy === 0 && move.endBy === 0 && move.rows === null;
    return { result: nothing ? null : move, words: `${formatWhen(landed(move))}${move.rows === null ? '' : `, ${rowWords(move.rows.to)}`}`, refusal, cells: [to.cell] };
}

/** An empty stretch: hours of a day, or days of a row. */
function drawn(sheet: HTMLElement, { from }: Gesture, to: Spot, rows: readonly LaneRow[]): Told {
    if (from.kind === 'hours' && from.minutes !== null) {
        const quarter = (minutes: number, round: (value: number) => number) => Math.min(Math.max(round(minutes / 15) * 15, 0), 24 * 60 - 15);
        const here = to.minutes ?? from.minutes;
        const start = quarter(Math.min(from.minutes, here), Math.floor);
        const end = Math.max(quarter(Math.max(from.minutes, here), Math.ceil), start + 15);
        const midnight = `${from.day}T00:00`;
        const result = { start: addMinutes(midnight, start), end: addMinutes(midnight, end), allDay: false, row: from.row };
        showDrawn(from, start, end);
        return { result, words: `${timeOfDay(result.start)} – ${timeOfDay(result.end)}`, refusal: null, cells: [from.cell] };
    }
    const last = to.kind === from.kind ? to.day : from.day;
    const [start, end] = from.day <= last ? [from.day, last] : [last, from.day];
    const cells = [...sheet.querySelectorAll<HTMLElement>('[data-cell]')].filter((each) => each.dataset.kind === from.kind && (from.cell.dataset.weeks !== undefined || Number(each.dataset.row) === from.row) && (each.dataset.day ?? '') >= start && (each.dataset.day ?? '') <= end);
    const row = from.cell.dataset.weeks === undefined ? rows[from.row] : undefined;
    const refusal = row?.refusal ?? null;
    return { result: { start, end: addDays(end, 1), allDay: true, row: from.row }, words: start === end ? `${formatDate(start, 'long')}, all day` : formatSpan(start, end), refusal, cells };
}

function showDrawn(from: Spot, start: number, end: number) {
    const column = from.cell.querySelector<HTMLElement>('[data-first-hour]');
    if (column === null) return;
    const mark = column.querySelector<HTMLElement>('.hours-drawn') ?? column.appendChild(Object.assign(document.createElement('div'), { className: 'hours-drawn' }));
    const hour = Number(column.dataset.hourHeight);
    const first = Number(column.dataset.firstHour) * 60;
    mark.style.top = `${((start - first) / 60) * hour}px`;
    mark.style.height = `${((end - start) / 60) * hour}px`;
}

function scrollNear(scroller: HTMLElement | null, x: number, y: number) {
    if (scroller === null) return;
    const box = scroller.getBoundingClientRect();
    const by = (position: number, low: number, high: number) => (position < low + EDGE ? -12 : position > high - EDGE ? 12 : 0);
    scroller.scrollBy(by(x, box.left, box.right), by(y, box.top, box.bottom));
}
