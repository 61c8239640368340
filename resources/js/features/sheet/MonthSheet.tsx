import { useMemo, useState } from 'react';
import { useRota } from './RotaContext';
import type { Sheet } from './useSheet';
import { addDays, daysBetween, daysFrom, formatDate, weekNumber } from '@/time/dates';
import { Cell } from './Cell';
import { Grid } from './Grid';
import { itemKey, layRow } from './geometry';
import { ItemView, PLAIN } from './ItemView';
import { PendingItem } from './PendingItem';
import { useLinesPerDay } from './useLinesPerDay';

const NUMBER = 18;

/** A row for each week. Days that hold more than fits say so and open in place. */
export function MonthSheet({ sheet }: { sheet: Sheet }) {
    const { span, focus, hidden, today, chosen } = useRota();
    const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
    const weeks = daysBetween(span.from, span.to) / 7;
    const { ref, lines, line, weekHeight } = useLinesPerDay(weeks);
    const closed = useMemo(() => new Map(sheet.closed.map((each) => [each.date, each.title])), [sheet.closed]);
    const rows = useMemo(() => {
        const shown = sheet.items.filter((item) => !hidden.has(item.layer));
        return Array.from({ length: weeks }, (_, week) => {
            const first = addDays(span.from, week * 7);
            return { first, days: daysFrom(first, 7), row: layRow(shown, first, 7, 'ribbon') };
        });
    }, [sheet.items, hidden, span.from, weeks]);
    const look = (layer: number) => sheet.layers[layer] ?? PLAIN;
    return (
        <Grid ref={ref} kind="month" label="Month: a row for each week" style={{ ['--days' as string]: 7, ['--weeks' as string]: weeks, ['--week-height' as string]: `${weekHeight}px` }}>
            <div role="row" className="sheet-row">
                <div role="columnheader" className="sheet-head" data-corner>
                    <span className="sr-only">Week</span>
                </div>
                {rows[0]?.days.map((day) => (
                    <div key={day} role="columnheader" className="sheet-head">
                        {formatDate(day, 'weekday')}
                    </div>
                ))}
            </div>
            {rows.map(({ first, days, row }, week) => {
                // A week is as high as its share: what does not fit is counted, and shows where the day is opened.
                const most = days.some((day) => opened.has(day)) ? Infinity : Math.max(1, lines - 1);
                return (
                <div role="row" className="sheet-row" key={first}>
                    <div role="rowheader" className="sheet-rowhead" aria-label={`Week ${weekNumber(addDays(first, 3))}`}>
                        <b className="font-serif text-[15px] font-medium">{weekNumber(addDays(first, 3))}</b>
                    </div>
                    {days.map((day, column) => {
                        const tracks = Math.min(row.tracks[column] ?? 0, most);
                        const tickets = row.tickets[column] ?? [];
                        const unseen = row.ribbons.filter((ribbon) => ribbon.track >= most && ribbon.from <= column && column <= ribbon.to).length;
                        const fits = unseen === 0 && tickets.length <= lines - tracks;
                        const room = opened.has(day) || fits ? tickets.length : Math.max(0, lines - tracks - 1);
                        const more = tickets.length - room + unseen;
                        const outside = day < focus.from || day >= focus.to;
                        return (
                            <Cell key={day} row={week} column={column} day={day} weeks closed={closed.get(day)} outside={outside} label={`Week ${weekNumber(addDays(first, 3))}`}>
                                <div className="sheet-number" data-today={day === today || undefined}>
                                    {formatDate(day, day.endsWith('-01') ? 'short' : 'day')}
                                </div>
                                {tracks > 0 && <div aria-hidden="true" className="shrink-0" style={{ height: tracks * line }} />}
                                {row.ribbons
                                    .filter((ribbon) => ribbon.from === column && ribbon.track < most)
                                    .map((ribbon) => (
                                        <ItemView
                                            key={itemKey(ribbon.item)}
                                            item={ribbon.item}
                                            shape="ribbon"
                                            look={look(ribbon.item.layer)}
                                            chosen={chosen(ribbon.item)}
                                            resizes={ribbon.item.allDay ? 'days' : undefined}
                                            ends={ribbon.ends}
                                            continued={!ribbon.begins}
                                            style={{ top: 1 + NUMBER + ribbon.track * line, width: `calc(${ribbon.to - ribbon.from + 1} * (100% + 1px) - 5px)` }}
                                        />
                                    ))}
                                <PendingItem shape="line" day={day} />
                                {tickets.slice(0, room).map((item) => (
                                    <ItemView key={itemKey(item)} item={item} shape="line" look={look(item.layer)} chosen={chosen(item)} />
                                ))}
                                {(more > 0 || opened.has(day)) && (
                                    <button
                                        type="button"
                                        className="h-6 shrink-0 px-1 text-left text-[11px] text-soft hover:text-ink hover:underline"
                                        aria-expanded={opened.has(day)}
                                        onClick={() => setOpened((before) => toggled(before, day))}
                                    >
                                        {opened.has(day) ? (
                                            'show fewer'
                                        ) : (
                                            <>
                                                <span className="max-sm:sr-only">and </span>
                                                <span className="sm:hidden" aria-hidden="true">
                                                    +
                                                </span>
                                                {more}
                                                <span className="max-sm:sr-only"> more</span>
                                            </>
                                        )}
                                    </button>
                                )}
                            </Cell>
                        );
                    })}
                </div>
                );
            })}
        </Grid>
    );
}

function toggled(set: ReadonlySet<string>, value: string): ReadonlySet<string> {
    const next = new Set(set);
    if (!next.delete(value)) next.add(value);
    return next;
}
