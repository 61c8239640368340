import { useDroppable } from '@dnd-kit/core';
import type { KeyboardEvent, ReactNode } from 'react';
import { useRota } from '@/features/overlays/RotaContext';
import { formatDate, isWeekend } from '@/time/dates';

type Props = {
    row: number;
    column: number;
    day: string;
    /** The calendar that an event begun here goes on; null where the row suggests none. */
    target: string | null;
    closed: string | undefined;
    outside?: boolean;
    label: string;
    children: ReactNode;
};

/** A day in a row of the sheet: events are begun and dropped in it. Arrow keys go from one to the next. */
export function Cell({ row, column, day, target, closed, outside = false, label, children }: Props) {
    const rota = useRota();
    const { setNodeRef, isOver } = useDroppable({ id: `${row}:${day}`, data: { day } });
    const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
        if (event.target !== event.currentTarget) return;
        const steps: Record<string, [number, number]> = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] };
        const step = steps[event.key];
        if (step !== undefined && !event.shiftKey) {
            event.preventDefault();
            const grid = event.currentTarget.closest('[role=grid]');
            grid?.querySelector<HTMLElement>(`[data-cell="${row + step[0]}:${column + step[1]}"]`)?.focus();
        } else if (event.key === 'Enter') {
            event.preventDefault();
            rota.begin(day, target);
        }
    };
    return (
        <div
            ref={setNodeRef}
            role="gridcell"
            tabIndex={-1}
            aria-label={`${label}, ${formatDate(day, 'long')}${closed === undefined ? '' : `, closed: ${closed}`}`}
            className="sheet-cell"
            data-cell={`${row}:${column}`}
            data-day={day}
            data-weekend={isWeekend(day) || undefined}
            data-closed={closed === undefined ? undefined : ''}
            data-outside={outside || undefined}
            data-over={isOver || undefined}
            onClick={() => rota.begin(day, target)}
            onKeyDown={onKeyDown}
        >
            {children}
        </div>
    );
}
