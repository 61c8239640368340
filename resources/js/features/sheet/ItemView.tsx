import { useDraggable } from '@dnd-kit/core';
import clsx from 'clsx';
import type { CSSProperties, KeyboardEvent } from 'react';
import { Mark, type Ink, type MarkName } from '@/components/Mark';
import { useRota } from '@/features/overlays/RotaContext';
import { addDays, formatWhen, timeOfDay } from '@/time/dates';
import { itemKey, type Item } from './geometry';

export type Shape = 'ticket' | 'line' | 'ribbon';

type Props = { item: Item; shape: Shape; ink: Ink; mark: MarkName; ends?: boolean; continued?: boolean; style?: CSSProperties; /** Tells places apart where one item stands several times. */ place?: string };

const KEYS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

/** One occurrence as it stands in the sheet. It can be dragged, or moved with Shift and the arrow keys. */
export function ItemView({ item, shape, ink, mark, ends = true, continued = false, style, place = '' }: Props) {
    const rota = useRota();
    const key = itemKey(item);
    const chosen = rota.search.event === item.id && (rota.search.occurrence ?? null) === item.occurrence;
    const { setNodeRef, listeners, isDragging } = useDraggable({
        id: `${place}${key}${continued ? ':continued' : ''}`,
        data: { item, ink, mark },
        disabled: !item.mayChange,
    });
    const onKeyDown = (event: KeyboardEvent) => {
        const days = KEYS[event.key];
        if (!event.shiftKey || days === undefined || !item.mayChange) return;
        event.preventDefault();
        rota.move(item, addDays(item.start.slice(0, 10), days));
    };
    return (
        <button
            ref={setNodeRef}
            type="button"
            {...listeners}
            data-item={key}
            data-ink={ink}
            data-ends={ends || undefined}
            className={clsx(shape, item.status, item.busyOnly && 'busy-only', item.allDay && 'all-day', chosen && 'chosen', isDragging && 'dragged')}
            style={style}
            title={hoverText(item)}
            aria-current={chosen || undefined}
            aria-label={`${spoken(item)}${continued ? ', continued' : ''}`}
            onClick={(event) => {
                event.stopPropagation();
                rota.open(item);
            }}
            onKeyDown={onKeyDown}
        >
            <ItemFace item={item} shape={shape} mark={mark} />
        </button>
    );
}

export function ItemFace({ item, shape, mark }: { item: Pick<Item, 'title' | 'start' | 'allDay'>; shape: Shape; mark: MarkName }) {
    const time = item.allDay ? null : <span className="at">{timeOfDay(item.start)}</span>;
    return (
        <>
            {shape === 'ticket' ? (
                <span className="front">
                    <Mark mark={mark} size={9} />
                    {time}
                </span>
            ) : (
                <Mark mark={mark} size={9} />
            )}
            <span className="name">{item.title}</span>
            {shape === 'line' && time}
        </>
    );
}

function hoverText(item: Item): string {
    return [item.title, formatWhen(item), item.place, item.categories.join(', '), note(item)].filter((part) => part !== '').join('\n');
}

function spoken(item: Item): string {
    return [item.title, formatWhen(item), item.place, note(item)].filter((part) => part !== '').join(', ');
}

function note(item: Item): string {
    if (item.busyOnly) return 'contents hidden from you';
    if (item.status === 'provisional') return 'provisional';
    if (item.status === 'cancelled') return 'cancelled';
    return item.private ? 'private' : '';
}
