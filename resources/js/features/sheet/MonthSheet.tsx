import { useCallback, useMemo, useState } from 'react';
import { useRota } from './RotaContext';
import type { Sheet } from './useSheet';
import { addDays, daysBetween, daysFrom, formatDate, weekNumber } from '@/time/dates';
import { useDrawing } from './drawing';
import { Grid } from './Grid';
import { byWeek, layRow } from './geometry';
import { MonthDay } from './MonthDay';
import { byMonday, schoolWeekOf } from './schoolWeeks';
import { toggled } from './toggled';
import { useApart } from './useApart';
import { useLinesPerDay } from './useLinesPerDay';

/** A row for each week. Of each day as much as fits, what the key has first before the rest; then how many there are of each layer. */
export function MonthSheet({ sheet }: { sheet: Sheet }) {
    const { span, hidden } = useRota();
    const [openDays, setOpenDays] = useState<ReadonlySet<string>>(new Set());
    const allOfIt = useDrawing('allOfIt');
    const weeks = daysBetween(span.from, span.to) / 7;
    const { ref, weekHeight, ...room } = useLinesPerDay(weeks);
    const apart = useApart(sheet.layers.length);
    const closed = useMemo(() => new Map(sheet.closed.map((each) => [each.date, each.title])), [sheet.closed]);
    const weeksOf = useMemo(() => byMonday(sheet.weeks), [sheet.weeks]);
    const shown = useMemo(() => sheet.items.filter((item) => !hidden.has(item.layer)), [sheet.items, hidden]);
    const { apartIn } = apart;
    const rows = useMemo(
        () =>
            byWeek(shown, span.from, weeks).map((items, week) => {
                const first = addDays(span.from, week * 7);
                return { first, days: daysFrom(first, 7), row: layRow(items, first, 7, 'ribbon', apartIn(first)) };
            }),
        [shown, span.from, weeks, apartIn],
    );
    const toggle = useCallback((day: string) => setOpenDays((before) => toggled(before, day)), []);
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
                const opened = allOfIt || apart.isOpened(first) || days.some((day) => openDays.has(day));
                // A week is as high as its share; opened, as high as its days are.
                const most = opened ? Infinity : Math.max(1, room.lines - 1);
                const school = schoolWeekOf(weeksOf, addDays(first, 3));
                const name = `Week ${weekNumber(addDays(first, 3))}${school === undefined ? '' : `, ${school.name}`}`;
                return (
                    <div role="row" className="sheet-row" key={first}>
                        <div role="rowheader" className="sheet-rowhead" aria-label={name}>
                            <b className="font-serif text-[15px] font-medium">{weekNumber(addDays(first, 3))}</b>
                            {school !== undefined && <small className="max-sm:hidden">{school.short}</small>}
                            {apart.isOpened(first) && (
                                <button type="button" className="hit block text-[10.5px] font-normal underline" onClick={() => apart.close(first)}>
                                    together
                                </button>
                            )}
                        </div>
                        {days.map((day, column) => (
                            <MonthDay
                                key={day}
                                sheet={sheet}
                                name={name}
                                week={week}
                                column={column}
                                day={day}
                                first={first}
                                row={row}
                                most={most}
                                {...room}
                                closed={closed.get(day)}
                                open={allOfIt ? 'always' : openDays.has(day)}
                                onToggle={toggle}
                                onApart={apart.open}
                            />
                        ))}
                    </div>
                );
            })}
        </Grid>
    );
}
