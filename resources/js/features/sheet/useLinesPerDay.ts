import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { usePrinting } from './printing';

const HEAD = 27;
const NUMBER = 21;
/** The height of a line: what can be pointed at and, on paper, read. */
const LINE = 24;
const PRINTED = 15;
/** On a phone a name takes three short lines (see narrow.css). */
const NARROW = 38;
const narrow = () => window.matchMedia('(max-width: 640px)').matches;
const LEAST = 92;

function onWidth(changed: () => void): () => void {
    const width = window.matchMedia('(max-width: 640px)');
    width.addEventListener('change', changed);
    return () => width.removeEventListener('change', changed);
}

/** How many lines fit under the number of a day when the weeks share the height that the sheet has. */
export function useLinesPerDay(weeks: number) {
    const ref = useRef<HTMLDivElement>(null);
    const printing = usePrinting() !== null;
    const isNarrow = useSyncExternalStore(onWidth, narrow);
    const line = printing ? PRINTED : isNarrow ? NARROW : LINE;
    const [height, setHeight] = useState(600);
    const [across, setAcross] = useState(132);
    useEffect(() => {
        const frame = ref.current?.closest<HTMLElement>('[data-scroller]');
        if (frame === null || frame === undefined) return;
        const observer = new ResizeObserver(() => {
            setHeight(frame.clientHeight);
            setAcross(ref.current?.querySelector('[data-cell]')?.clientWidth ?? 132);
        });
        observer.observe(frame);
        return () => observer.disconnect();
    }, []);
    const weekHeight = Math.max(LEAST, Math.floor((height - HEAD) / weeks));
    return { ref, weekHeight, across, line, lines: Math.max(2, Math.floor((weekHeight - NUMBER) / line)) };
}
