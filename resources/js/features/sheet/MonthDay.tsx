import { memo } from 'react';
import { useRota } from './RotaContext';
import type { Sheet } from './useSheet';
import { formatDate } from '@/time/dates';
import { Cell } from './Cell';
import { Counts } from './Counts';
import { itemKey, lastDay, tracksAt, type Row } from './geometry';
import { ItemView, PLAIN } from './ItemView';
import { PendingItem } from './PendingItem';
import { Ribbons } from './Ribbons';

/** The row of a day with its number, in pixels. */
const NUMBER = 20;
/** What of it the number of a day takes, with what adds beside it; the name of a month, and the pin of today. */
const DATE = 50;
const MONTH = 32;
const PIN = 20;

type Props = {
    sheet: Sheet;
    /** Of its week. */
    name: string;
    week: number;
    column: number;
    day: string;
    /** Of its week. */
    first: string;
    row: Row;
    /** How many tracks of ribbons are drawn. */
    most: number;
    /** How many lines fit, how high one is, and how wide the day is, in pixels. */
    lines: number;
    line: number;
    across: number;
    closed: string | undefined;
    open: boolean | 'always';
    onToggle: (day: string) => void;
    onApart: (row: string, layer: number) => void;
};

/** A day of a month: its ribbons, then its events by layer and time, and how many there are besides. */
export const MonthDay = memo(function MonthDay({ sheet, name, week, column, day, first, row, most, lines, line, across, closed, open, onToggle, onApart }: Props) {
    const { focus, today, chosen, search } = useRota();
    const look = (layer: number) => sheet.layers[layer] ?? PLAIN;
    const drawn = row.ribbons.filter((ribbon) => ribbon.track < most);
    const tracks = tracksAt(drawn, column);
    const tickets = (row.tickets[column] ?? []).toSorted((a, b) => Number(a.ghost === true) - Number(b.ghost === true) || a.layer - b.layer || (a.start < b.start ? -1 : a.start > b.start ? 1 : 0));
    const room = open === false ? Math.max(0, lines - tracks) : tickets.length;
    const unseen = [...row.ribbons.filter((ribbon) => ribbon.track >= most && ribbon.from <= column && column <= ribbon.to).flatMap(({ item, others }) => [item, ...others]).filter((item) => lastDay(item) >= day), ...tickets.slice(room)].filter((item) => item.ghost !== true);
    const full = tickets.length >= room;
    return (
        <Cell row={week} column={column} day={day} weeks closed={closed} outside={day < focus.from || day >= focus.to} label={name}>
            <div className="sheet-number" data-today={day === today || undefined}>
                {day.endsWith('-01') ? (
                    <>
                        <span className="max-sm:hidden">{formatDate(day, 'short')}</span>
                        <span className="sm:hidden">{formatDate(day, 'day')}</span>
                    </>
                ) : (
                    formatDate(day, 'day')
                )}
                {(unseen.length > 0 || open === true) && <Counts items={unseen} layers={sheet.layers} room={across - DATE - (day.endsWith('-01') ? MONTH : 0) - (day === today ? PIN : 0)} open={open === true} onToggle={() => onToggle(day)} />}
                {full && search.as === undefined && (
                    <button type="button" tabIndex={-1} className="add" data-add aria-label={`Add on ${formatDate(day, 'long')}`}>
                        +
                    </button>
                )}
            </div>
            {tracks > 0 && <div aria-hidden="true" className="shrink-0" style={{ height: tracks * line }} />}
            <Ribbons ribbons={drawn} column={column} first={first} across={across} topOf={(track) => 1 + NUMBER + track * line} look={look} chosen={chosen} onOpen={(layer) => onApart(first, layer)} />
            <PendingItem shape="line" day={day} />
            {tickets.slice(0, room).map((item) => (
                <ItemView key={itemKey(item)} item={item} shape="line" look={look(item.layer)} chosen={chosen(item)} resizes="days" />
            ))}
        </Cell>
    );
});
