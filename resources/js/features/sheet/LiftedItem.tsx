import { Ban } from 'lucide-react';
import { useImperativeHandle, useLayoutEffect, useRef, useState, type Ref } from 'react';
import { createPortal } from 'react-dom';
import { ItemFace, type Look } from './ItemView';
import type { Lifted } from './useSheetGestures';

export type LiftedHandle = { show: (told: Lifted | null, look: Look | undefined, x: number, y: number) => void };

/** What is being dragged, beside the pointer, with where it would land or why it may not. */
export function LiftedItem({ ref }: { ref: Ref<LiftedHandle> }) {
    const box = useRef<HTMLDivElement>(null);
    const place = useRef({ x: 0, y: 0 });
    const [state, setState] = useState<{ told: Lifted; look: Look | undefined } | null>(null);
    const put = () => {
        const right = place.current.x > window.innerWidth - 230;
        box.current?.style.setProperty('transform', `translate(${place.current.x + (right ? -222 : 14)}px, ${Math.min(place.current.y + 10, window.innerHeight - 90)}px)`);
    };
    useImperativeHandle(ref, () => ({
        show: (told, look, x, y) => {
            place.current = { x, y };
            put();
            // Only what is said anew is drawn anew; a move of the pointer moves the box alone.
            setState((before) => (told === null ? null : before?.told.item === told.item && before.told.words === told.words && before.told.refusal === told.refusal ? before : { told, look }));
        },
    }));
    useLayoutEffect(put);
    if (state === null) return null;
    const { told, look } = state;
    return createPortal(
        <div ref={box} className="pointer-events-none fixed top-0 left-0 z-50 w-52">
            {told.item !== null && look !== undefined && (
                <div className="ticket lifted" data-ink={look.colour}>
                    <ItemFace item={told.item} shape="ticket" mark={look.mark} />
                </div>
            )}
            <p role="status" className={told.refusal === null ? 'mt-1 border border-ink bg-sheet px-2 py-1 text-xs font-semibold shadow-(--shadow)' : 'mt-1 flex gap-1.5 border border-pin-ink bg-sheet px-2 py-1 text-xs font-semibold text-pin-ink shadow-(--shadow)'}>
                {told.refusal !== null && <Ban size={13} aria-hidden="true" className="mt-0.5 shrink-0" />}
                {told.refusal ?? told.words}
            </p>
        </div>,
        document.body,
    );
}
