import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { addDays, addMonths, daysFrom, formatDate, startOfMonth, startOfWeek } from '@/time/dates';

type Props = { value: string; today: string; onPick: (date: string) => void };

const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

/** A month of days, one of which is picked; the arrows go from day to day, Page up and Page down from month to month. */
export function MonthPicker({ value, today, onPick }: Props) {
    const [at, setAt] = useState(value === '' ? today : value);
    const grid = useRef<HTMLTableElement>(null);
    const month = startOfMonth(at);
    const first = startOfWeek(month);
    useEffect(() => grid.current?.querySelector<HTMLElement>(`[data-date="${at}"]`)?.focus(), [at]);
    const onKeyDown = (event: KeyboardEvent) => {
        const step = STEPS[event.key];
        const to = step !== undefined ? addDays(at, step) : event.key === 'PageUp' ? addMonths(at, -1) : event.key === 'PageDown' ? addMonths(at, 1) : event.key === 'Home' ? startOfWeek(at) : event.key === 'End' ? addDays(startOfWeek(at), 6) : null;
        if (to === null) return;
        event.preventDefault();
        setAt(to);
    };
    return (
        <div>
            <div className="mb-1 flex items-center justify-between gap-2">
                <button type="button" className="grid size-7 place-items-center pointer-coarse:size-11" aria-label="The month before" onClick={() => setAt(addMonths(at, -1))}>
                    <ChevronLeft size={15} />
                </button>
                <b className="text-[13px] font-semibold" aria-live="polite">
                    {formatDate(month, 'monthYear')}
                </b>
                <button type="button" className="grid size-7 place-items-center pointer-coarse:size-11" aria-label="The month after" onClick={() => setAt(addMonths(at, 1))}>
                    <ChevronRight size={15} />
                </button>
            </div>
            <table ref={grid} className="border-collapse text-[12px]">
                <thead>
                    <tr>
                        {daysFrom(first, 7).map((day) => (
                            <th key={day} scope="col" abbr={formatDate(day, 'long').split(' ')[0]} className="w-8 pb-0.5 font-normal text-soft">
                                {formatDate(day, 'weekday').slice(0, 2)}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {[0, 1, 2, 3, 4, 5].map((week) => (
                        <tr key={week}>
                            {daysFrom(addDays(first, week * 7), 7).map((day) => (
                                <td key={day} className="p-0">
                                    <button
                                        type="button"
                                        data-date={day}
                                        tabIndex={day === at ? 0 : -1}
                                        aria-label={formatDate(day, 'long')}
                                        aria-current={day === today ? 'date' : undefined}
                                        aria-pressed={day === value}
                                        className="grid size-8 place-items-center hover:bg-wash aria-[current=date]:font-bold aria-[current=date]:text-pin-ink aria-pressed:bg-ink aria-pressed:text-paper data-[outside]:text-soft"
                                        data-outside={startOfMonth(day) !== month || undefined}
                                        onClick={() => onPick(day)}
                                        onKeyDown={onKeyDown}
                                    >
                                        {formatDate(day, 'day')}
                                    </button>
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}
