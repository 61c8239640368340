import { Mark } from '@/components/Mark';
import type { Item } from './geometry';
import type { Sheet } from './useSheet';

type Props = { items: readonly Item[]; layers: Sheet['layers']; /** In pixels. */ room: number; open: boolean; onToggle: () => void };

/** How wide a mark is with what is between it and the next, and a figure. */
const MARK = 14;
const FIGURE = 6.2;

/** What does not fit into a day: how much it is of each layer, in the order of the key. Opens it in place. */
export function Counts({ items, layers, room, open, onToggle }: Props) {
    if (open) {
        return (
            <button type="button" className="counts" aria-expanded={true} onClick={onToggle}>
                fewer
            </button>
        );
    }
    const numbers = new Map<number, number>();
    for (const { layer } of items) numbers.set(layer, (numbers.get(layer) ?? 0) + 1);
    const counts = layers.flatMap((layer, index) => (numbers.has(index) ? [{ layer, index, count: numbers.get(index) ?? 0 }] : []));
    const wide = (count: number) => MARK + FIGURE * String(count).length;
    const fitting = (within: number) => counts.findIndex((_, index) => counts.slice(0, index + 1).reduce((sum, { count }) => sum + wide(count), 0) > within);
    const all = fitting(room) === -1;
    const fit = all ? counts.length : Math.max(0, fitting(room - wide(items.length)));
    const rest = counts.slice(fit).reduce((sum, { count }) => sum + count, 0);
    return (
        <button type="button" className="counts" aria-expanded={false} aria-label={`${items.length} more: ${counts.map(({ layer, count }) => `${layer.name} ${count}`).join(', ')}`} onClick={onToggle}>
            {counts.slice(0, fit).map(({ layer, index, count }) => (
                <span key={index} data-counted={`${index}:${count}`}>
                    <Mark mark={layer.mark} ink={layer.colour} size={8} />
                    {count}
                </span>
            ))}
            {rest > 0 && <span data-counted={`*:${rest}`}>+{rest}</span>}
        </button>
    );
}
