import { Mark } from '@/components/Mark';
import { timeOfDay } from '@/time/dates';
import { LINE, type Bar } from './bars';
import { itemKey, type Item } from './geometry';
import { ItemButton, Signs, type Look } from './ItemView';

/** About so wide is a letter of a name, in pixels. */
const LETTER = 6.4;

/** Its name stands a line away from where it begins: it is told when that is. */
const AWAY = LINE * 0.7;

type Props = {
    bar: Bar;
    look: Look;
    chosen: boolean;
    /** Of the day, in pixels. */
    width: number;
};

/** An event as a thin bar at its hours; its name is a part of it, and stands beside. */
function BarView({ look, chosen, width, bar: { block, name, ...bar } }: Props) {
    const { item } = block;
    const room = width - name.left - 2;
    // Two lines are for words that fit into them.
    const two = name.lines === 2 && item.title.split(' ').every((word) => word.length * LETTER < room - 16);
    const told = room > 112 && Math.abs(name.top - bar.top) > AWAY;
    return (
        <ItemButton item={item} shape="bar" look={look} chosen={chosen} resizes="hours" ends={block.ends} continued={!block.begins} style={{ left: bar.left, top: bar.top, width: bar.width, height: bar.height }}>
            <span className="beside name" data-two={two || undefined} style={{ left: name.left - bar.left, top: name.top - bar.top, width: room }}>
                <Mark mark={look.mark} />
                {told && <span className="at">{timeOfDay(item.start)}</span>}
                {item.title}
                {room > 96 && <Signs item={item} />}
            </span>
        </ItemButton>
    );
}

type DayProps = { bars: Bar[]; look: (layer: number) => Look; chosen: (item: Item) => boolean; width: number };

/** A crowded day: its bars, their names, and what ties them together. */
export function Bars({ bars, look, chosen, width }: DayProps) {
    return (
        <>
            <Ties bars={bars} />
            {bars.map((bar) => (
                <BarView key={itemKey(bar.block.item)} bar={bar} look={look(bar.block.item.layer)} chosen={chosen(bar.block.item)} width={width} />
            ))}
        </>
    );
}

/** Hairlines from bars to their names, where those are not right beside them. */
function Ties({ bars }: { bars: Bar[] }) {
    const lines = bars.map(({ left, top, width, height, name }) => {
        const [from, to] = [left + width, name.left - 1];
        const line = name.top + LINE / 2;
        const at = Math.max(top + 2, Math.min(top + height - 2, line));
        return to - from < 7 && at === line ? '' : `M${from} ${at}L${Math.max(from, to - 6)} ${line}H${to}`;
    });
    return (
        <svg aria-hidden="true" className="ties">
            <path d={lines.join('')} />
        </svg>
    );
}
