import { useMemo } from 'react';
import { useRota } from './RotaContext';
import type { Sheet } from './useSheet';
import { addDays, addMonths, daysBetween, daysFrom, formatDate, formatSpan, formatYear, isWeekend } from '@/time/dates';
import { lastDay } from './geometry';
import { byMonday, schoolWeekOf } from './schoolWeeks';

const SHADES = 4;

/** A year at once: a line for each month, a square for each day, the fuller the darker; closed days hatched. */
export function YearSheet({ sheet }: { sheet: Sheet }) {
    const { span, hidden, today, go } = useRota();
    const closed = useMemo(() => new Map(sheet.closed.map((each) => [each.date, each.title])), [sheet.closed]);
    const loads = useMemo(() => {
        const count = new Map<string, number>();
        for (const item of sheet.items) {
            if (hidden.has(item.layer)) continue;
            const last = lastDay(item);
            for (let day = item.start.slice(0, 10); day <= last && day < span.to; day = addDays(day, 1)) count.set(day, (count.get(day) ?? 0) + 1);
        }
        return count;
    }, [sheet.items, hidden, span.to]);
    const weeks = useMemo(() => byMonday(sheet.weeks), [sheet.weeks]);
    const most = Math.max(1, ...loads.values());
    const months = Array.from({ length: 12 }, (_, index) => addMonths(span.from, index));
    return (
        <div className="overflow-x-auto p-4">
            {sheet.terms.length > 0 && (
                <nav aria-label="Terms" className="mb-2 flex flex-wrap gap-x-4 text-[13px]">
                    {sheet.terms.map(({ name, from, to }) => (
                        <button key={from} type="button" className="hit gap-1.5 hover:underline" onClick={() => go({ view: 'month', date: from })}>
                            <b className="font-semibold">{name}</b> <span className="text-soft">{formatSpan(from, to)}</span>
                        </button>
                    ))}
                </nav>
            )}
            <table className="year" aria-label={`${formatYear(span.from)}: how full each day is`}>
                <tbody>
                    {months.map((first) => (
                        <tr key={first}>
                            <th scope="row">
                                <button type="button" className="hit hover:underline" onClick={() => go({ view: 'month', date: first })}>
                                    {formatDate(first, 'month')}
                                </button>
                            </th>
                            {daysFrom(first, daysBetween(first, addMonths(first, 1))).map((day) => {
                                const load = loads.get(day) ?? 0;
                                const term = sheet.terms.find(({ from, to }) => from <= day && day <= to);
                                const half = term?.halfTerms.find(({ from, to }) => from <= day && day <= to);
                                const week = schoolWeekOf(weeks, day);
                                const told = `${formatDate(day, 'long')}: ${load === 0 ? 'nothing' : load === 1 ? '1 event' : `${load} events`}${closed.has(day) ? `, closed: ${closed.get(day)}` : ''}${week === undefined ? '' : `, ${week.name}`}`;
                                return (
                                    <td key={day} data-weekend={isWeekend(day) || undefined} data-closed={closed.has(day) || undefined} data-term={term === undefined ? undefined : half === undefined ? 'school' : 'half-term'} data-first={term?.from === day || undefined} data-last={term?.to === day || undefined}>
                                        <button
                                            type="button"
                                            data-day={day}
                                            data-shade={load === 0 ? 0 : Math.ceil((load / most) * SHADES)}
                                            data-today={day === today || undefined}
                                            aria-label={told}
                                            title={told}
                                            onClick={() => go({ view: 'list', date: day })}
                                        >
                                            {formatDate(day, 'day')}
                                            {week !== undefined && week.monday === day && <small aria-hidden="true">{week.number ?? '–'}</small>}
                                        </button>
                                    </td>
                                );
                            })}
                        </tr>
                    ))}
                </tbody>
            </table>
            <p className="mt-3 flex items-center gap-2 text-xs text-soft">
                <span>nothing</span>
                {Array.from({ length: SHADES + 1 }, (_, shade) => (
                    <span key={shade} className="year-shade inline-block size-4 border border-line" data-shade={shade} aria-hidden="true" />
                ))}
                <span>{most} on one day. A day opens the list from there, a month’s name its month.{sheet.terms.length > 0 && ' Terms have a line above them, and their weeks a number.'}</span>
            </p>
        </div>
    );
}
