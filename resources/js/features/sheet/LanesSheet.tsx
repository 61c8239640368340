import clsx from 'clsx';
import { useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { lazily } from '@/components/lazily';
import { Mark } from '@/components/Mark';
import { PartyLink } from '@/features/directory/PartyLink';
import { useRota } from './RotaContext';
import type { Sheet } from './useSheet';
import { daysBetween, daysFrom, formatDate, isWeekend, startOfWeek } from '@/time/dates';
import { useBoard } from './BoardContext';
import { Cell } from './Cell';
import { Grid } from './Grid';
import { itemKey, lastDay, layRow, type Item, type Row } from './geometry';
import { ItemView, PLAIN } from './ItemView';
import { PendingItem } from './PendingItem';
import { Ribbons } from './Ribbons';
import type { LaneRow } from './rows';
import { byMonday, schoolWeekOf } from './schoolWeeks';
import { toggled } from './toggled';

const RowsInSight = lazily(() => import('./RowsInSight'), 'RowsInSight');

const TRACK = 24;
const HEAD = 54;
/** From so many rows on, only those in sight are drawn. */
const VIRTUAL_FROM = 60;
const LEAST_HEIGHT = 55;
/** About how high a ticket is, in two lines of its name, or in one where days are narrow or wide. */
const TICKET = 44;
const COMPACT = 26;
/** So many tickets a day has at least before the rest is told by a number. */
const LEAST_TICKETS = 3;

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
    const weeks = useMemo(() => byMonday(sheet.weeks), [sheet.weeks]);
    const laid = useMemo(() => rows.map((row): Laid => ({ ...row, laid: layRow(row.items, span.from, count, 'ticket') })), [rows, span.from, count]);
    const totals = useMemo(() => dayTotals(laid, days), [laid, days]);
    const height = useHeight(frame);
    const ticket = count > 14 || count <= 7 ? COMPACT : TICKET;
    const most = useMemo(() => ticketsThatFit(laid, height, ticket), [laid, height, ticket]);
    const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
    const lane = (index: number, measure?: (element: HTMLElement | null) => void) => {
        const row = laid[index];
        return row === undefined ? null : <Lane key={`${index}:${row.key}`} row={row} index={index} days={days} closed={closed} sheet={sheet} most={opened.has(row.key) ? Infinity : most} onToggle={() => setOpened((before) => toggled(before, row.key))} measure={measure} />;
    };
    return (
        <Grid ref={frame} kind="lanes" rowCount={laid.length + 1} label={`Lanes: a row for each ${through.group}, days across`} style={{ ['--days' as string]: count, ['--least' as string]: count > 14 ? '30px' : '0px' }}>
            <div role="row" aria-rowindex={1} className="sheet-row">
                <div role="columnheader" className="sheet-head" data-corner>
                    {through.of !== undefined && through.group === 'person' ? 'Who' : HEADS[through.group]}
                </div>
                {days.map((day, column) => (
                    <div key={day} role="columnheader" className="sheet-head" data-weekend={isWeekend(day) || undefined} data-today={day === today || undefined} data-narrow={count > 21 || undefined} title={closed.get(day)}>
                        {formatDate(day, 'weekday').slice(0, count > 21 ? 1 : 3)}
                        {count <= 14 && (column === 0 || startOfWeek(day, 'MO') === day) && schoolWeekOf(weeks, day) !== undefined && <small className="sheet-week">{schoolWeekOf(weeks, day)?.short}</small>}
                        <b className={count > 21 ? 'text-[14px]!' : undefined}>{formatDate(day, 'day')}</b>
                        {(totals[column] ?? 0) > 0 && (
                            <small className="block leading-none" aria-label={`${totals[column]} in all`}>
                                {totals[column]}
                            </small>
                        )}
                    </div>
                ))}
            </div>
            {laid.length >= VIRTUAL_FROM ? <RowsInSight frame={frame} count={laid.length} heightOf={(index) => heightOf(laid[index], most, ticket)} row={lane} /> : laid.map((_, index) => lane(index))}
        </Grid>
    );
}

type LaneProps = { row: Laid; index: number; days: string[]; closed: ReadonlyMap<string, string>; sheet: Sheet; /** How many tickets a day shows. */ most: number; onToggle: () => void; measure: ((element: HTMLElement | null) => void) | undefined };

function Lane({ row, index, days, closed, sheet, most, onToggle, measure }: LaneProps) {
    const { chosen } = useRota();
    const compact = days.length > 14;
    return (
        <div role="row" aria-rowindex={index + 2} className="sheet-row">
            <div role="rowheader" className="sheet-rowhead" ref={measure} data-index={index}>
                {row.mark !== null && <Mark mark={row.mark} ink={row.ink ?? 'slate'} size={11} />} <RowName row={row} />
                <small>
                    <span className="tabular-nums">{row.items.filter((item) => item.ghost !== true).length}</span>
                    <span className="sr-only"> in view</span>
                    {row.about !== '' && ` · ${row.about}`}
                </small>
            </div>
            {days.map((day, column) => (
                <Cell key={day} row={index} column={column} day={day} closed={closed.get(day)} label={row.name}>
                    {(row.laid.tracks[column] ?? 0) > 0 && <div aria-hidden="true" style={{ height: (row.laid.tracks[column] ?? 0) * TRACK }} className="shrink-0" />}
                    <Ribbons ribbons={row.laid.ribbons} column={column} first={days[0] ?? day} topOf={(track) => 4 + track * TRACK} look={(layer) => sheet.layers[layer] ?? PLAIN} chosen={chosen} />
                    <div className={clsx(days.length <= 7 ? 'packed' : compact ? 'compact' : 'contents', row.mark !== null && 'marked')}>
                        {row.laid.tickets[column]?.slice(0, shownOf(row.laid.tickets[column], most)).map((item) => (
                            <ItemView key={itemKey(item)} item={item} shape="ticket" look={sheet.layers[item.layer] ?? PLAIN} chosen={chosen(item)} resizes={item.allDay && !compact ? 'days' : undefined} />
                        ))}
                    </div>
                    <More tickets={row.laid.tickets[column] ?? []} most={most} narrow={compact} name={row.name} onToggle={onToggle} />
                    <PendingItem shape="ticket" day={day} row={row} />
                </Cell>
            ))}
        </div>
    );
}

/** Of a person it leads to a sheet of their own. */
function RowName({ row }: { row: LaneRow }) {
    return row.kind === 'person' && /^\d+$/.test(row.key) ? (
        <PartyLink kind="person" id={Number(row.key)}>
            {row.name}
        </PartyLink>
    ) : (
        row.name
    );
}

/** How many there are on each day, each event counted once however many rows it stands in. */
function dayTotals(rows: readonly Laid[], days: readonly string[]): number[] {
    const seen = days.map(() => new Set<string>());
    for (const row of rows) {
        for (const item of row.items) {
            if (item.ghost === true) continue;
            const last = lastDay(item);
            const key = `${item.id}:${item.occurrence ?? ''}`;
            for (let column = Math.max(0, daysBetween(days[0] ?? last, item.start.slice(0, 10))); column < days.length && (days[column] ?? '') <= last; column++) seen[column]?.add(key);
        }
    }
    return seen.map((each) => each.size);
}

/** One that would be left out alone is shown: a number in its place would take as much room. */
function shownOf(tickets: readonly Item[], most: number): number {
    return tickets.length <= most + 1 ? tickets.length : most;
}

/** How many tickets a day is left with besides; opens the row, and folds it again. */
function More({ tickets, most, narrow, name, onToggle }: { tickets: readonly Item[]; most: number; narrow: boolean; name: string; onToggle: () => void }) {
    const unseen = tickets.length - shownOf(tickets, most);
    const folds = most === Infinity && tickets.length > LEAST_TICKETS + 1;
    if (unseen === 0 && !folds) return null;
    return (
        <button type="button" className="counts" aria-expanded={folds} onClick={onToggle}>
            {narrow ? folds ? '–' : `+${unseen}` : folds ? 'fewer' : `and ${unseen}`}
            <span className="sr-only"> {narrow && folds ? 'fewer ' : ''}on {name}</span>
        </button>
    );
}

/** So many tickets of a day at most that all rows fit into the height there is; never fewer than the least. */
function ticketsThatFit(rows: readonly Laid[], height: number, ticket: number): number {
    const fullest = Math.max(0, ...rows.flatMap(({ laid }) => laid.tickets.map((each) => each.length)));
    for (let most = fullest; most > LEAST_TICKETS; most--) {
        if (rows.reduce((sum, row) => sum + heightOf(row, most, ticket), 0) <= height) return most;
    }
    return LEAST_TICKETS;
}

function heightOf(row: Laid | undefined, most: number, ticket: number): number {
    if (row === undefined) return LEAST_HEIGHT;
    return row.laid.tickets.reduce((high, tickets, column) => Math.max(high, 17 + (row.laid.tracks[column] ?? 0) * TRACK + Math.min(tickets.length, most + 1) * ticket), LEAST_HEIGHT);
}

/** How high the part of the page is in which rows stand, below their head. */
function useHeight(frame: RefObject<HTMLElement | null>): number {
    const [height, setHeight] = useState(560);
    useEffect(() => {
        const scroller = frame.current?.closest<HTMLElement>('[data-scroller]');
        if (scroller === null || scroller === undefined) return;
        const observer = new ResizeObserver(() => setHeight(scroller.clientHeight - HEAD));
        observer.observe(scroller);
        return () => observer.disconnect();
    }, [frame]);
    return height;
}
