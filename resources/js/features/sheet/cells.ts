import { daysBetween } from '@/time/dates';

/** What a cell of the sheet is for: a day, the whole days above the hours, or the hours of a day. */
export type CellKind = 'day' | 'whole' | 'hours';

/** A point of the sheet: the day and row under it and, in the hours, the minutes from midnight. */
export type Spot = { cell: HTMLElement; kind: CellKind; day: string; row: number; minutes: number | null };

export function spotOf(cell: HTMLElement, y: number): Spot {
    const column = cell.querySelector<HTMLElement>('[data-first-hour]');
    const minutes = column === null ? null : Number(column.dataset.firstHour) * 60 + ((y - column.getBoundingClientRect().top) / Number(column.dataset.hourHeight)) * 60;
    return { cell, kind: (cell.dataset.kind ?? 'day') as CellKind, day: cell.dataset.day ?? '', row: Number(cell.dataset.row ?? 0), minutes };
}

/** The spot under a point, through whatever lies over it. */
export function spotAt(x: number, y: number, within: Element): Spot | null {
    const cell = document.elementsFromPoint(x, y).find((each) => each.matches('[data-cell]') && within.contains(each));
    return cell === undefined ? null : spotOf(cell as HTMLElement, y);
}

/** The minutes from one spot to another: whole days between cells of days, quarters of an hour within hours. */
export function minutesFrom(from: Spot, to: Spot): number {
    const days = daysBetween(from.day, to.day) * 24 * 60;
    return from.minutes === null || to.minutes === null ? days : days + Math.round((to.minutes - from.minutes) / 15) * 15;
}
