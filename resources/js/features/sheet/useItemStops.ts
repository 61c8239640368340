import { useEffect, type RefObject } from 'react';
import { settleFocus } from './sheetFocus';

/** The events of a cell are one stop for the Tab key: the first of them, from which arrows lead to the others. */
export function useItemStops(ref: RefObject<HTMLElement | null>) {
    useEffect(() => {
        const sheet = ref.current;
        if (sheet === null) return;
        let frame = 0;
        const settle = () => {
            frame = 0;
            const begun = new Set<Element | null>();
            for (const face of sheet.querySelectorAll<HTMLElement>('[data-item]')) {
                const cell = groupOf(face);
                const stop = begun.has(cell) ? -1 : 0;
                begun.add(cell);
                if (face.tabIndex !== stop) face.tabIndex = stop;
            }
            settleFocus(sheet);
        };
        const later = () => {
            if (frame === 0) frame = requestAnimationFrame(settle);
        };
        settle();
        const watching = new MutationObserver(later);
        watching.observe(sheet, { childList: true, subtree: true });
        return () => {
            watching.disconnect();
            cancelAnimationFrame(frame);
        };
    }, [ref]);
}

function groupOf(face: HTMLElement): Element | null {
    return face.closest('[data-cell]') ?? face.parentElement;
}

/** The event before or after one in its cell. */
export function besideInCell(face: HTMLElement, by: 1 | -1): HTMLElement | undefined {
    const faces = [...(groupOf(face)?.querySelectorAll<HTMLElement>('[data-item]') ?? [])];
    return faces[faces.indexOf(face) + by];
}
