import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { createPortal } from 'react-dom';
import { Mark } from '@/components/Mark';
import { useCalendars } from '@/features/calendars/useCalendars';
import { formatMoment, formatWhen } from '@/time/dates';
import type { Item } from './geometry';
import { notes, type Look } from './ItemView';
import { sinceWords } from './sinceWords';
import { HOLDS } from '@/api/generated/words';

type Props = { sheet: RefObject<HTMLElement | null>; itemOf: (key: string) => Item | undefined; lookOf: (item: Item) => (Look & { name: string }) | undefined };

/** How long a pointer rests on an event before it is told what it is. */
const REST = 350;
const WIDTH = 264;

/** The essentials of the event under the pointer or in focus, on a card beside it. */
export function Essentials({ sheet, itemOf, lookOf }: Props) {
    const [shown, setShown] = useState<{ item: Item; at: DOMRect } | null>(null);
    useEffect(() => {
        const board = sheet.current;
        if (board === null) return;
        let timer = 0;
        const listening = new AbortController();
        const { signal } = listening;
        const leave = () => {
            clearTimeout(timer);
            setShown(null);
        };
        const enter = (target: EventTarget | null, rest: number) => {
            const face = target instanceof Element ? target.closest<HTMLElement>('[data-item]') : null;
            const item = face === null ? undefined : itemOf(face.dataset.item ?? '');
            clearTimeout(timer);
            if (face === null || item === undefined) return setShown(null);
            timer = window.setTimeout(() => face.isConnected && setShown({ item, at: face.getBoundingClientRect() }), rest);
        };
        board.addEventListener('pointerover', (event) => event.pointerType === 'mouse' && event.buttons === 0 && enter(event.target, REST), { signal });
        board.addEventListener('pointerleave', leave, { signal });
        board.addEventListener('pointerdown', leave, { signal });
        board.addEventListener('focusin', (event) => event.target instanceof Element && event.target.matches(':focus-visible') && enter(event.target, 0), { signal });
        board.addEventListener('focusout', leave, { signal });
        document.addEventListener('keydown', (event) => event.key === 'Escape' && leave(), { signal });
        // What is in focus goes along with the sheet, and so does what is told of it.
        document.addEventListener('scroll', () => (document.activeElement?.matches('[data-item]:focus-visible') === true && board.contains(document.activeElement) ? enter(document.activeElement, REST / 4) : leave()), { signal, capture: true });
        return () => {
            clearTimeout(timer);
            listening.abort();
        };
    }, [sheet, itemOf]);
    if (shown === null) return null;
    return <Card key={`${shown.item.id}:${shown.item.occurrence}`} item={shown.item} at={shown.at} look={lookOf(shown.item)} />;
}

function Card({ item, at, look }: { item: Item; at: DOMRect; look: (Look & { name: string }) | undefined }) {
    const box = useRef<HTMLDivElement>(null);
    const calendars = useCalendars();
    const calendar = calendars.data?.find((each) => each.slug === item.calendar)?.name ?? '';
    const said = notes(item);
    useLayoutEffect(() => {
        const height = box.current?.offsetHeight ?? 0;
        const left = at.right + 8 + WIDTH <= window.innerWidth ? at.right + 8 : Math.max(8, at.left - WIDTH - 8);
        box.current?.style.setProperty('left', `${left}px`);
        box.current?.style.setProperty('top', `${Math.max(8, Math.min(at.top, window.innerHeight - height - 8))}px`);
    });
    return createPortal(
        <div ref={box} role="tooltip" className="pointer-events-none fixed z-40 border border-ink bg-sheet px-3 py-2 text-[12.5px] shadow-(--shadow) max-sm:hidden" style={{ width: WIDTH }}>
            <p className="font-serif text-[15px] leading-tight font-semibold [overflow-wrap:anywhere]">{item.title}</p>
            <p className="mt-0.5 tabular-nums">{formatWhen(item)}</p>
            {item.place !== '' && <p className="text-soft">{item.place}</p>}
            {item.moreFollow === true && <p className="font-semibold">It takes place more often in these days than can be shown. Look at fewer days for the rest.</p>}
            {item.responsible.length > 0 && <p>{item.responsible.join(', ')}</p>}
            <p className="mt-1 flex items-center gap-1.5 border-t border-hair pt-1 text-soft">
                {look !== undefined && <Mark mark={look.mark} ink={look.colour} size={10} />}
                <span className="min-w-0 truncate">
                    {calendar}
                    {look !== undefined && look.name !== calendar && `, in ${look.name}`}
                </span>
            </p>
            {item.categories.length > 0 && <p className="text-soft">{item.categories.join(', ')}</p>}
            {said.length > 0 && <p className="italic">{said.join(', ')}</p>}
            {item.since !== undefined && (
                <p className="border-l-[3px] border-pin pl-1.5">
                    {item.since.kind === 'changed' && `${sinceWords(item.since)}: `}
                    {item.since.by !== null && `${item.since.by}, `}
                    {formatMoment(item.since.at)}
                </p>
            )}
            {item.hold !== null && item.hold !== 'hidden' && <p className="text-soft">{HOLDS[item.hold]}</p>}
        </div>,
        document.body,
    );
}
