import { useVirtualizer } from '@tanstack/react-virtual';
import type { ReactNode, RefObject } from 'react';

type Props = {
    /** What stands within the part of the page that scrolls. */
    frame: RefObject<HTMLElement | null>;
    count: number;
    /** How high a row is, as far as that is known before it is drawn. */
    heightOf: (index: number) => number;
    row: (index: number, measure: (element: HTMLElement | null) => void) => ReactNode;
};

/** Of many rows those that are in sight, or nearly. */
export function RowsInSight({ frame, count, heightOf, row }: Props) {
    // It is read in this component alone, which may not be memoized for it.
    // eslint-disable-next-line react-hooks/incompatible-library
    const virtualizer = useVirtualizer({
        count,
        getScrollElement: () => frame.current?.closest<HTMLElement>('[data-scroller]') ?? null,
        estimateSize: heightOf,
        overscan: 8,
    });
    const shown = virtualizer.getVirtualItems();
    const first = shown[0];
    const last = shown[shown.length - 1];
    return (
        <>
            {first !== undefined && first.start > 0 && <div aria-hidden="true" style={{ gridColumn: '1 / -1', height: first.start }} />}
            {shown.map(({ index }) => row(index, virtualizer.measureElement))}
            {last !== undefined && <div aria-hidden="true" style={{ gridColumn: '1 / -1', height: virtualizer.getTotalSize() - last.end }} />}
        </>
    );
}
