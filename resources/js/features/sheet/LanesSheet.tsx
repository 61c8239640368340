import clsx from 'clsx';
import { useMemo, useRef } from 'react';
import { lazily } from '@/components/lazily';
import { Mark } from '@/components/Mark';
import { useRota } from './RotaContext';
import type { Sheet } from './useSheet';
import { daysBetween, daysFrom, formatDate, isWeekend } from '@/time/dates';
import { useBoard } from './BoardContext';
import { Cell } from './Cell';
import { Grid } from './Grid';
import { itemKey, lastDay, layRow, type Row } from './geometry';
import { ItemView, PLAIN } from './ItemView';
import { PendingItem } from './PendingItem';
import type { LaneRow } from './rows';

const RowsInSight = lazily(() => import('./RowsInSight'), 'RowsInSight');

const TRACK = 24;
/** From so many rows on, only those in sight are drawn. */
const VIRTUAL_FROM = 60;
const LEAST_HEIGHT = 55;
const TICKET = 29;

const HEADS = { layer: 'Layer', person: 'Responsible', place: 'Place', calendar: 'Calendar', category: 'Category' } as const;

type Laid = LaneRow & { laid: Row };

/** A row for each layer, or person, place, calendar or category; days across. */
export function LanesSheet({ sheet }: { sheet: Sheet }) {
    const { span, today, through } = useRota();
    const { rows } = useBoard();
    const frame = useRef<HTMLDivElement>(null);
    const count = daysBetween(span.from, span.to);
    const days = useMemo(() => daysFrom(span.from, count), [span.from, count]);
    const closed = useMemo(() => new Map(sheet.closed.map((each) => [each.date, each.title])), [sheet.closed]);
    const laid = useMemo(() => rows.map((row): Laid => ({ ...row, laid: layRow(row.items, span.from, count, 'ticket') })), [rows, span.from, count]);
    const totals = useMemo(() => dayTotals(laid, days), [laid, days]);
    const lane = (index: number, measure?: (element: HTMLElement | null) => void) => {
        const row = laid[index];
        return row === undefined ? null : <Lane key={`${index}:${row.key}`} row={row} index={index} days={days} closed={closed} sheet={sheet} measure={measure} />;
    };
    return (
        <Grid ref={frame} kind="lanes" rowCount={laid.length + 1} label={`Lanes: a row for each ${through.group}, days across`} style={{ ['--days' as string]: count, ['--least' as string]: count > 14 ? '26px' : '0px' }}>
            <div role="row" aria-rowindex={1} className="sheet-row">
                <div role="columnheader" className="sheet-head" data-corner>
                    {HEADS[through.group]}
                </div>
                {days.map((day, column) => (
                    <div key={day} role="columnheader" className="sheet-head" data-weekend={isWeekend(day) || undefined} data-today={day === today || undefined} data-narrow={count > 21 || undefined} title={closed.get(day)}>
                        {formatDate(day, 'weekday').slice(0, count > 21 ? 1 : 3)}
                        <b className={count > 21 ? 'text-[14px]!' : undefined}>{formatDate(day, 'day')}</b>
                        {(totals[column] ?? 0) > 0 && (
                            <small className="block leading-none" aria-label={`${totals[column]} in all`}>
                                {totals[column]}
                            </small>
                        )}
                    </div>
                ))}
            </div>
            {laid.length >= VIRTUAL_FROM ? <RowsInSight frame={frame} count={laid.length} heightOf={(index) => heightOf(laid[index])} row={lane} /> : laid.map((_, index) => lane(index))}
        </Grid>
    );
}

type LaneProps = { row: Laid; index: number; days: string[]; closed: ReadonlyMap<string, string>; sheet: Sheet; measure: ((element: HTMLElement | null) => void) | undefined };

function Lane({ row, index, days, closed, sheet, measure }: LaneProps) {
    const { chosen } = useRota();
    const compact = days.length > 14;
    return (
        <div role="row" aria-rowindex={index + 2} className="sheet-row">
            <div role="rowheader" className="sheet-rowhead" ref={measure} data-index={index}>
                {row.mark !== null && <Mark mark={row.mark} ink={row.ink ?? 'slate'} size={11} />} {row.name}
                <small>
                    <span className="tabular-nums">{row.items.length}</span>
                    <span className="sr-only"> in view</span>
                    {row.about !== '' && ` · ${row.about}`}
                </small>
            </div>
            {days.map((day, column) => (
                <Cell key={day} row={index} column={column} day={day} closed={closed.get(day)} label={row.name}>
                    {(row.laid.tracks[column] ?? 0) > 0 && <div aria-hidden="true" style={{ height: (row.laid.tracks[column] ?? 0) * TRACK }} className="shrink-0" />}
                    {row.laid.ribbons
                        .filter((ribbon) => ribbon.from === column)
                        .map((ribbon) => (
                            <ItemView
                                key={itemKey(ribbon.item)}
                                item={ribbon.item}
                                shape="ribbon"
                                look={sheet.layers[ribbon.item.layer] ?? PLAIN}
                                chosen={chosen(ribbon.item)}
                                ends={ribbon.ends}
                                continued={!ribbon.begins}
                                resizes={ribbon.item.allDay ? 'days' : undefined}
                                style={{ top: 4 + ribbon.track * TRACK, width: `calc(${ribbon.to - ribbon.from + 1} * (100% + 1px) - 5px)` }}
                            />
                        ))}
                    <div className={clsx('contents', compact && 'compact', row.mark !== null && 'marked')}>
                        {row.laid.tickets[column]?.map((item) => (
                            <ItemView key={itemKey(item)} item={item} shape="ticket" look={sheet.layers[item.layer] ?? PLAIN} chosen={chosen(item)} resizes={item.allDay && !compact ? 'days' : undefined} />
                        ))}
                    </div>
                    <PendingItem shape="ticket" day={day} row={row} />
                </Cell>
            ))}
        </div>
    );
}

/** How many there are on each day, each event counted once however many rows it stands in. */
function dayTotals(rows: readonly Laid[], days: readonly string[]): number[] {
    const seen = days.map(() => new Set<string>());
    for (const row of rows) {
        for (const item of row.items) {
            const last = lastDay(item);
            const key = `${item.id}:${item.occurrence ?? ''}`;
            for (let column = Math.max(0, daysBetween(days[0] ?? last, item.start.slice(0, 10))); column < days.length && (days[column] ?? '') <= last; column++) seen[column]?.add(key);
        }
    }
    return seen.map((each) => each.size);
}

function heightOf(row: Laid | undefined): number {
    if (row === undefined) return LEAST_HEIGHT;
    return row.laid.tickets.reduce((most, tickets, column) => Math.max(most, 17 + (row.laid.tracks[column] ?? 0) * TRACK + tickets.length * TICKET), LEAST_HEIGHT);
}
