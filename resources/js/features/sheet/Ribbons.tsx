import type { CSSProperties } from 'react';
import { Mark } from '@/components/Mark';
import { addDays } from '@/time/dates';
import { bandWords } from './bandWords';
import { itemKey, type Item, type Ribbon } from './geometry';
import { ItemView, type Look } from './ItemView';
import { focusItem } from './sheetFocus';

type Props = {
    ribbons: readonly Ribbon[];
    /** The column that they are drawn in: those that begin there. */
    column: number;
    /** The first day of the row. */
    first: string;
    /** How wide a day is, in pixels. */
    across?: number;
    /** From the top of the cell to a track. */
    topOf: (track: number) => number;
    look: (layer: number) => Look;
    chosen: (item: Item) => boolean;
    /** Draws what shares a ribbon apart. */
    onOpen?: (layer: number) => void;
};

/** What lasts days: a ribbon for each, or for all of a layer that is at the same time. */
export function Ribbons({ ribbons, column, first, across = 0, topOf, look, chosen, onOpen }: Props) {
    return ribbons
        .filter((ribbon) => ribbon.from === column)
        .map((ribbon) => {
            const { item, others, from, to, track, begins, ends } = ribbon;
            const style = { top: topOf(track), width: `calc(${to - from + 1} * (100% + 1px) - 5px)` };
            if (others.length === 0) return <ItemView key={itemKey(item)} item={item} shape="ribbon" look={look(item.layer)} chosen={chosen(item)} resizes="days" ends={ends} continued={!begins} style={style} />;
            return (
                <Band
                    key={itemKey(item)}
                    ribbon={ribbon}
                    until={addDays(first, to)}
                    width={(to - from + 1) * across}
                    look={look(item.layer)}
                    style={style}
                    onOpen={() => {
                        onOpen?.(item.layer);
                        focusItem(itemKey(item));
                    }}
                />
            );
        });
}

type BandProps = { ribbon: Ribbon; until: string; width: number; look: Look; style: CSSProperties; onOpen: () => void };

/** Several that share a ribbon, named together; opened, each has its own. */
function Band({ ribbon: { item, others, ends }, until, width, look, style, onOpen }: BandProps) {
    const items = [item, ...others];
    const { text, more } = bandWords(items, until, width);
    return (
        <button
            type="button"
            className="ribbon band"
            data-band={items.map(({ id, occurrence }) => `${id}:${occurrence ?? ''}`).join(' ')}
            data-ink={item.colour ?? look.colour}
            data-pattern={look.pattern === 'plain' ? undefined : look.pattern}
            data-ends={ends || undefined}
            style={style}
            aria-expanded={false}
            aria-label={`${text}${more > 0 ? ` ${text === '' ? '' : '+'}${more}` : ''}: ${items.map(({ title }) => title).join(', ')}`}
            title={items.map(({ title }) => title).join('\n')}
            onClick={onOpen}
        >
            <Mark mark={look.mark} />
            <span className="name">{text}</span>
            {more > 0 && (
                <b className="more">
                    {text !== '' && '+'}
                    {more}
                </b>
            )}
        </button>
    );
}
