import type { ReactNode } from 'react';
import { formatDate, isWeekend } from '@/time/dates';
import type { CellKind } from './cells';

type Props = {
    /** Its place in the grid, for the arrow keys. */
    row: number;
    column: number;
    day: string;
    closed: string | undefined;
    kind?: CellKind;
    /** Whether rows are weeks: a stretch of days then goes on in the next one. */
    weeks?: boolean;
    outside?: boolean;
    label: string;
    children: ReactNode;
};

/** A day in a row of the sheet: events are begun and dropped in it. What is done in it, the sheet itself listens to. */
export function Cell({ row, column, day, closed, kind = 'day', weeks = false, outside = false, label, children }: Props) {
    return (
        <div
            role="gridcell"
            tabIndex={-1}
            aria-label={`${label}, ${formatDate(day, 'long')}${closed === undefined ? '' : `, closed: ${closed}`}`}
            className="sheet-cell"
            data-cell={`${row}:${column}`}
            data-row={row}
            data-day={day}
            data-kind={kind}
            data-weeks={weeks || undefined}
            data-weekend={isWeekend(day) || undefined}
            data-closed={closed === undefined ? undefined : ''}
            data-outside={outside || undefined}
        >
            {children}
        </div>
    );
}
