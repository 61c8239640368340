import clsx from 'clsx';
import { CircleHelp, Import, Lock } from 'lucide-react';
import { memo, type CSSProperties, type ReactNode } from 'react';
import type { Schemas } from '@/api/client';
import { Mark, type MarkName } from '@/components/Mark';
import { ghostWords, sinceSaid } from '@/features/sheet/sinceWords';
import { formatWhen, timeOfDay } from '@/time/dates';
import { itemKey, type Item } from './geometry';

export type Shape = 'ticket' | 'line' | 'ribbon';

/** How the layer of an item is drawn. */
export type Look = Pick<Schemas['SheetLayer'], 'colour' | 'mark' | 'pattern'>;

export const PLAIN: Look = { colour: 'slate', mark: 'disc', pattern: 'plain' };

type Props = {
    item: Item;
    shape: Shape;
    look: Look;
    /** Whether it is the one that is open. */
    chosen: boolean;
    /** Whether it ends and begins where it is drawn, or goes on over the edge. */
    ends?: boolean;
    continued?: boolean;
    /** Along which axis its ends can be taken, if at all. */
    resizes?: 'days' | 'hours';
    /** Whether there is room for one line alone. */
    short?: boolean;
    style?: CSSProperties;
};

/** One occurrence as it stands in the sheet. It listens to nothing: the sheet does, for all of them. */
export const ItemView = memo(function ItemView(props: Props) {
    const { item, shape, look } = props;
    return (
        <ItemButton {...props}>
            <ItemFace item={item} shape={shape} mark={look.mark} />
        </ItemButton>
    );
});

/** What every item of the sheet is, however it is drawn: what is told of it, and along which axis its ends can be taken. */
export function ItemButton({ item, shape, look, chosen, ends = true, continued = false, resizes, short = false, style, children }: Omit<Props, 'shape'> & { shape: Shape | 'bar'; children: ReactNode }) {
    return (
        <button
            type="button"
            tabIndex={-1}
            data-item={itemKey(item)}
            data-id={item.id}
            data-resizes={item.hold === null && item.ghost !== true ? resizes : undefined}
            data-ink={item.colour ?? look.colour}
            data-pattern={look.pattern === 'plain' ? undefined : look.pattern}
            data-begins={!continued || undefined}
            data-ends={ends || undefined}
            data-since={item.since?.kind}
            className={clsx(shape, item.status, item.busyOnly && 'busy-only', item.ghost && 'ghost', item.unanswered && 'unanswered', item.allDay && 'all-day', chosen && 'chosen', short && 'short')}
            style={style}
            aria-current={chosen || undefined}
            aria-label={`${spoken(item)}${continued ? ', continued' : ''}`}
        >
            {children}
        </button>
    );
}

type Face = Pick<Item, 'title' | 'start' | 'allDay'> & Partial<Pick<Item, 'private' | 'external' | 'unanswered' | 'pinned' | 'moreFollow'>>;

export function ItemFace({ item, shape, mark }: { item: Face; shape: Shape; mark: MarkName }) {
    const time = item.allDay ? null : <span className="at">{timeOfDay(item.start)}</span>;
    return (
        <>
            {shape === 'ticket' ? (
                <span className="front">
                    <Mark mark={mark} />
                    {time}
                    <Signs item={item} />
                </span>
            ) : (
                <Mark mark={mark} />
            )}
            <span className="name">
                {item.title}
                {item.moreFollow === true && ' … and more'}
            </span>
            {shape !== 'ticket' && <Signs item={item} />}
            {shape === 'line' && time}
        </>
    );
}

/** Small signs for what colour does not tell: asked and not answered, private, from outside, pinned. */
export function Signs({ item }: { item: Face }) {
    if (item.unanswered !== true && item.private !== true && item.external !== true && item.pinned !== true) return null;
    return (
        <span className="signs" aria-hidden="true">
            {item.unanswered === true && <CircleHelp size={11} />}
            {item.private === true && <Lock size={10} />}
            {item.external === true && <Import size={11} />}
            {item.pinned === true && <span className="pin-head" />}
        </span>
    );
}

function spoken(item: Item): string {
    return [item.title, formatWhen(item), item.place, ...notes(item)].filter((part) => part !== '').join(', ');
}

/** What there is to know of the state of an item, in words. */
export function notes(item: Item): string[] {
    if (item.busyOnly) return ['contents hidden from you'];
    if (item.ghost === true && item.since !== undefined) return [ghostWords(item.since)];
    return [
        ...(item.since === undefined ? [] : [`${sinceSaid(item.since)} since you looked`]),
        ...(item.status === 'confirmed' ? [] : [item.status as string]),
        ...(item.unanswered ? ['you have not answered'] : []),
        ...(item.private ? ['private'] : []),
        ...(item.external ? ['from outside'] : []),
        ...(item.pinned === true ? ['pinned'] : []),
    ];
}
