import { useCallback, useState } from 'react';
import { useDrawing } from './drawing';

/** Which layers are drawn apart in which row: those that were opened there, or all. */
export function useApart(layers: number) {
    const always = useDrawing('ribbonsApart');
    const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
    const apartIn = useCallback(
        (row: string): ReadonlySet<number> => new Set(Array.from({ length: layers }, (_, layer) => layer).filter((layer) => always || opened.has(`${row} ${layer}`))),
        [layers, always, opened],
    );
    const open = useCallback((row: string, layer: number) => setOpened((before) => new Set([...before, `${row} ${layer}`])), []);
    return {
        apartIn,
        open,
        /** Whether something was opened in a row that can be put together again. */
        isOpened: (row: string) => !always && [...opened].some((key) => key.startsWith(`${row} `)),
        close: (row: string) => setOpened((before) => new Set([...before].filter((key) => !key.startsWith(`${row} `)))),
    };
}
