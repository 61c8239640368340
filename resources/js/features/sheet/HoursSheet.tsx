import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { Mark } from '@/components/Mark';
import { useDraft, useRota } from './RotaContext';
import type { Sheet } from './useSheet';
import { addDays, daysBetween, daysFrom, formatDate, isWeekend, minutesBetween } from '@/time/dates';
import { bandWords } from './bandWords';
import { Bars } from './BarView';
import { isCrowded, layBars, leastBarsWidth, LINE } from './bars';
import { Cell } from './Cell';
import { FoldedHours, foldedHeight } from './FoldedHours';
import { Grid } from './Grid';
import { itemKey, layRow } from './geometry';
import { hourHeight, onHourHeight } from './hourHeight';
import { hoursOf, layDay, leastWidth, sideBySide, type Block, type SideBySide } from './hours';
import { ItemView, PLAIN } from './ItemView';
import { PendingItem } from './PendingItem';
import { Ribbons } from './Ribbons';
import { useApart } from './useApart';

const TRACK = 24;
/** What of the width of a day its cell takes itself. */
const CELL = 6;
const WORKING: [number, number] = [7, 20];
/** In pixels: so high is an hour at least, and so high while hours are shown that lie outside of the working day. */
const LEAST_HOUR = 24;
const EASY_HOUR = 30;

/** Days side by side, an hour as high as lets the working day fit. Of the hours outside of it those in which something is, as far as they fit; what is in the others is named before and after. */
export function HoursSheet({ sheet }: { sheet: Sheet }) {
    const { span, hidden, today, chosen, search } = useRota();
    const [unfolded, setUnfolded] = useState(false);
    const count = daysBetween(span.from, span.to);
    const days = useMemo(() => daysFrom(span.from, count), [span.from, count]);
    const closed = useMemo(() => new Map(sheet.closed.map((each) => [each.date, each.title])), [sheet.closed]);
    const shown = useMemo(() => sheet.items.filter((item) => !hidden.has(item.layer)), [sheet.items, hidden]);
    const layers = useMemo(() => sheet.layers.map((layer, index) => ({ layer, index })).filter(({ index }) => !hidden.has(index)), [sheet.layers, hidden]);
    const side = search.side === true && layers.length > 1;
    // What takes up whole days lies above the hours; what is at some time stands in them, also over midnight.
    const apart = useApart(sheet.layers.length);
    const wholeDays = useMemo(() => shown.filter((item) => item.allDay), [shown]);
    const laid = useMemo(
        () =>
            days.map((day): SideBySide => {
                if (side) return sideBySide(shown, day, layers.map(({ index }) => index));
                const blocks = layDay(shown, day);
                return { blocks, bars: blocks, columns: [] };
            }),
        [shown, days, side, layers],
    );
    const { ref, room, chosen: hourChosen, width: share } = useRoom(count);
    const { first, last } = unfolded ? { first: 0, last: 24 } : hoursOf(laid.flatMap((day) => day.blocks), ...WORKING, Math.floor(room / EASY_HOUR));
    const earlier = laid.map((day) => day.blocks.filter((block) => block.to <= first * 60));
    const later = laid.map((day) => day.blocks.filter((block) => block.from >= last * 60));
    const fitting = hourChosen ?? Math.max(LEAST_HOUR, Math.floor((room - foldedHeight(later)) / (last - first)));
    // What shares a ribbon is named there, or it is drawn apart: nobody has to open something in a week to read it.
    const opened = apart.apartIn(span.from);
    const together = layRow(wholeDays, span.from, count, 'ribbon', opened);
    const unnamed = together.ribbons.filter(({ item, others, from, to }) => others.length > 0 && bandWords([item, ...others], addDays(span.from, to), (to - from + 1) * share).more > 0);
    const whole = unnamed.length === 0 ? together : layRow(wholeDays, span.from, count, 'ribbon', new Set([...opened, ...unnamed.map(({ item }) => item.layer)]));
    const isWithin = (block: Block) => block.to > first * 60 && block.from < last * 60;
    const bars = laid.map((day) => isCrowded(day.blocks.filter(isWithin), share));
    const within = laid.map((day, column) => (bars[column] === true ? day.bars : day.blocks).filter(isWithin));
    // As many names as there are have a line each.
    const names = Math.max(0, ...within.map((blocks, day) => (bars[day] === true ? blocks.length : 0)));
    const hour = Math.max(fitting, Math.ceil((names * LINE) / (last - first)));
    const tracks = Math.max(0, ...whole.tracks);
    const isIn = (folded: readonly Block[][]) => folded.some((blocks) => blocks.length > 0);
    const hoursRow = isIn(earlier) ? 2 : 1;
    const top = (minutes: number) => ((minutes - first * 60) / 60) * hour;
    const look = (layer: number) => sheet.layers[layer] ?? PLAIN;
    const least = Math.max(0, ...within.flatMap((blocks, day) => (bars[day] === true ? [leastBarsWidth(blocks)] : blocks.map((block) => leastWidth(block.columns / block.wide)))));
    const width = Math.max(share, least) - CELL;
    const drawn = within.map((blocks, day) => (bars[day] === true ? layBars(blocks, { width, height: (last - first) * hour, at: top }) : null));
    return (
        <Grid ref={ref} kind="hours" label={count === 1 ? 'Day, by the hour' : 'Week, by the hour'} style={{ ['--days' as string]: count, ['--least' as string]: `${least}px` }}>
            <div role="row" className="sheet-row">
                <div role="columnheader" className="sheet-head" data-corner>
                    <span className="sr-only">Hour</span>
                </div>
                {days.map((day, column) => (
                    <div key={day} role="columnheader" className="sheet-head" data-weekend={isWeekend(day) || undefined} data-today={day === today || undefined} title={closed.get(day)}>
                        {formatDate(day, 'weekday')}
                        <b>{formatDate(day, 'day')}</b>
                        {side && bars[column] !== true && (
                            <span className="mt-1 flex">
                                {layers.map(({ layer, index }, position) => (
                                    <span key={index} style={{ flexGrow: laid[column]?.columns[position] }} className="flex min-w-0 basis-0 items-center gap-1 overflow-hidden" title={layer.name}>
                                        <Mark mark={layer.mark} ink={layer.colour} size={10} />
                                        {count === 1 ? <span className="truncate">{layer.name}</span> : <span className="sr-only">{layer.name}</span>}
                                    </span>
                                ))}
                            </span>
                        )}
                    </div>
                ))}
            </div>
            <div role="row" className="sheet-row">
                <div role="rowheader" className="sheet-rowhead">
                    <small>whole days</small>
                    {apart.isOpened(span.from) && (
                        <button type="button" className="hit block text-[10.5px] font-normal underline" onClick={() => apart.close(span.from)}>
                            together
                        </button>
                    )}
                </div>
                {days.map((day, column) => (
                    <Cell key={day} row={0} column={column} day={day} kind="whole" closed={closed.get(day)} label="Whole days">
                        <div aria-hidden="true" style={{ height: Math.max(1, tracks) * TRACK }} />
                        <Ribbons ribbons={whole.ribbons} column={column} first={span.from} across={share} topOf={(track) => 2 + track * TRACK} look={look} chosen={chosen} onOpen={(layer) => apart.open(span.from, layer)} />
                        <PendingWhole day={day} />
                    </Cell>
                ))}
            </div>
            {isIn(earlier) && <FoldedHours row={1} label={`before ${first}`} days={days} blocks={earlier} closed={closed} look={look} chosen={chosen} />}
            <div role="row" className="sheet-row">
                <div role="rowheader" className="sheet-rowhead hours-scale" style={{ height: (last - first) * hour }} aria-label={`${first}:00 to ${last}:00`}>
                    {Array.from({ length: last - first }, (_, index) => (
                        <span key={index} style={{ top: index * hour }}>
                            {first + index}
                        </span>
                    ))}
                    {(unfolded || last - first < 24) && (
                        <button type="button" className="fold" aria-expanded={unfolded} onClick={() => setUnfolded(!unfolded)}>
                            {unfolded ? 'fewer hours' : 'all hours'}
                        </button>
                    )}
                </div>
                {days.map((day, column) => (
                    <Cell key={day} row={hoursRow} column={column} day={day} kind="hours" closed={closed.get(day)} label="Hours">
                        <div className="hours-column" data-first-hour={first} data-hour-height={hour} style={{ height: (last - first) * hour, ['--hour' as string]: `${hour}px` }}>
                            {side && bars[column] !== true && (
                                <div aria-hidden="true" className="absolute inset-0 flex">
                                    {layers.map(({ index }, position) => (
                                        <span key={index} className="hours-side basis-0" data-side={index} style={{ flexGrow: laid[column]?.columns[position] }} />
                                    ))}
                                </div>
                            )}
                            {drawn[column] == null ? (
                                within[column]?.map((block) => (
                                    <ItemView
                                        key={itemKey(block.item)}
                                        item={block.item}
                                        shape="ticket"
                                        continued={!block.begins}
                                        ends={block.ends}
                                        look={look(block.item.layer)}
                                        chosen={chosen(block.item)}
                                        resizes="hours"
                                        short={top(block.to) - top(block.from) < 34}
                                        style={{
                                            position: 'absolute',
                                            top: Math.max(0, top(block.from)),
                                            height: Math.max(24, top(Math.min(block.to, last * 60)) - Math.max(0, top(block.from)) - 2),
                                            left: `calc(${(block.column / block.columns) * 100}% + 1px)`,
                                            width: `calc(${(100 * block.wide) / block.columns}% - 3px)`,
                                        }}
                                    />
                                ))
                            ) : (
                                <Bars bars={drawn[column]} look={look} chosen={chosen} width={width} />
                            )}
                            <PendingAt day={day} first={first} hour={hour} />
                            {day === today && <NowLine first={first} last={last} hour={hour} />}
                        </div>
                    </Cell>
                ))}
            </div>
            {isIn(later) && <FoldedHours row={hoursRow + 1} label={`from ${last}`} days={days} blocks={later} closed={closed} look={look} chosen={chosen} />}
        </Grid>
    );
}

/** Where the clock stands now, in the reader's zone. */
function NowLine({ first, last, hour }: { first: number; last: number; hour: number }) {
    const { now } = useRota();
    const minutes = minutesBetween(`${now.slice(0, 10)}T00:00`, now);
    if (minutes < first * 60 || minutes > last * 60) return null;
    return <div aria-hidden="true" className="now" style={{ top: ((minutes - first * 60) / 60) * hour }} />;
}

/** The event that is being written, where it lasts whole days. */
function PendingWhole({ day }: { day: string }) {
    const { draft } = useDraft();
    return draft?.allDay === true ? <PendingItem shape="line" day={day} /> : null;
}

/** The event that is being written, at its hours. */
function PendingAt({ day, first, hour }: { day: string; first: number; hour: number }) {
    const { draft } = useDraft();
    if (draft?.start.slice(0, 10) !== day || draft.allDay || draft.start.length < 16) return null;
    const minutes = minutesBetween(`${day}T00:00`, draft.start) - first * 60;
    const length = draft.end >= draft.start ? minutesBetween(draft.start, draft.end) : 0;
    return (
        <div className="hours-pending" style={{ top: Math.max(0, (minutes / 60) * hour), height: Math.max(24, (length / 60) * hour) }}>
            <PendingItem shape="ticket" day={day} />
        </div>
    );
}

/** The height that there is for hours, how high one is where that is chosen, and the share that a day has of the width. */
function useRoom(days: number) {
    const ref = useRef<HTMLDivElement>(null);
    const [room, setRoom] = useState(476);
    const [across, setAcross] = useState(930);
    const chosen = useSyncExternalStore(onHourHeight, hourHeight);
    useEffect(() => {
        const grid = ref.current;
        const frame = grid?.closest<HTMLElement>('[data-scroller]');
        if (grid === null || frame === null || frame === undefined) return;
        const measure = () => {
            const scale = grid.querySelector('.hours-scale')?.getBoundingClientRect().top ?? 84;
            setRoom(frame.clientHeight - (scale - grid.getBoundingClientRect().top) - 8);
            setAcross(frame.clientWidth - (grid.querySelector('.hours-scale')?.clientWidth ?? 58));
        };
        const observer = new ResizeObserver(measure);
        observer.observe(frame);
        observer.observe(grid);
        return () => observer.disconnect();
    }, []);
    return { ref, room, chosen, width: across / days };
}
