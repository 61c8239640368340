import { useEffect, useRef, useState } from 'react';
import { usePrinting } from './printing';

const HEAD = 27;
const NUMBER = 19;
/** The height of a line: what can be pointed at and, on paper, read. */
const LINE = 24;
const PRINTED = 15;
const LEAST = 92;

/** How many lines fit under the number of a day when the weeks share the height that the sheet has. */
export function useLinesPerDay(weeks: number) {
    const ref = useRef<HTMLDivElement>(null);
    const line = usePrinting() === null ? LINE : PRINTED;
    const [height, setHeight] = useState(600);
    useEffect(() => {
        const frame = ref.current?.closest<HTMLElement>('[data-scroller]');
        if (frame === null || frame === undefined) return;
        const observer = new ResizeObserver(() => setHeight(frame.clientHeight));
        observer.observe(frame);
        return () => observer.disconnect();
    }, []);
    const weekHeight = Math.max(LEAST, Math.floor((height - HEAD) / weeks));
    return { ref, weekHeight, line, lines: Math.max(2, Math.floor((weekHeight - NUMBER) / line)) };
}
