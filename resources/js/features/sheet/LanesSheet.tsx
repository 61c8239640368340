import { useMemo } from 'react';
import { Mark } from '@/components/Mark';
import { useRota } from '@/features/overlays/RotaContext';
import type { Sheet } from '@/features/overlays/useSheet';
import { daysBetween, daysFrom, formatDate, isWeekend } from '@/time/dates';
import { Cell } from './Cell';
import { Grid } from './Grid';
import { itemKey, layRow } from './geometry';
import { ItemView } from './ItemView';
import { PendingItem } from './PendingItem';

const TRACK = 24;

/** A row for each layer, days across. */
export function LanesSheet({ sheet }: { sheet: Sheet }) {
    const { span, hidden, today } = useRota();
    const count = daysBetween(span.from, span.to);
    const days = useMemo(() => daysFrom(span.from, count), [span.from, count]);
    const closed = useMemo(() => new Map(sheet.closed.map((each) => [each.date, each.title])), [sheet.closed]);
    const rows = useMemo(
        () =>
            sheet.layers
                .map((layer, index) => ({ layer, index, row: layRow(sheet.items.filter((item) => item.layer === index), span.from, count, 'ticket') }))
                .filter(({ index }) => !hidden.has(index)),
        [sheet, hidden, span.from, count],
    );
    return (
        <Grid kind="lanes" label="Lanes: a row for each layer, days across" style={{ ['--days' as string]: count }}>
            <div role="row" className="sheet-row">
                <div role="columnheader" className="sheet-head" data-corner>
                    Layer
                </div>
                {days.map((day) => (
                    <div key={day} role="columnheader" className="sheet-head" data-weekend={isWeekend(day) || undefined} data-today={day === today || undefined} title={closed.get(day)}>
                        {formatDate(day, 'weekday')}
                        <b>{formatDate(day, 'day')}</b>
                    </div>
                ))}
            </div>
            {rows.map(({ layer, index, row }, position) => (
                <div role="row" className="sheet-row" key={`${index}:${layer.name}`}>
                    <div role="rowheader" className="sheet-rowhead">
                        <Mark mark={layer.mark} ink={layer.colour} size={11} /> {layer.name}
                        {layer.about !== '' && <small>{layer.about}</small>}
                    </div>
                    {days.map((day, column) => (
                        <Cell key={day} row={position} column={column} day={day} target={layer.target} closed={closed.get(day)} label={layer.name}>
                            {(row.tracks[column] ?? 0) > 0 && <div aria-hidden="true" style={{ height: (row.tracks[column] ?? 0) * TRACK }} className="shrink-0" />}
                            {row.ribbons
                                .filter((ribbon) => ribbon.from === column)
                                .map((ribbon) => (
                                    <ItemView
                                        key={itemKey(ribbon.item)}
                                        item={ribbon.item}
                                        shape="ribbon"
                                        ink={layer.colour}
                                        mark={layer.mark}
                                        ends={ribbon.ends}
                                        style={{ top: 4 + ribbon.track * TRACK, width: `calc(${ribbon.to - ribbon.from + 1} * (100% + 1px) - 5px)` }}
                                    />
                                ))}
                            {row.tickets[column]?.map((item) => (
                                <ItemView key={itemKey(item)} item={item} shape="ticket" ink={layer.colour} mark={layer.mark} />
                            ))}
                            <PendingItem shape="ticket" day={day} calendars={layer.calendars} />
                        </Cell>
                    ))}
                </div>
            ))}
        </Grid>
    );
}
