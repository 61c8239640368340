import { useSyncExternalStore } from 'react';

export const PAPERS = { a4: [210, 297], a3: [297, 420] } as const;

export type Paper = keyof typeof PAPERS;

/** A page to print on: its paper, and whether it lies on its side. */
export type Page = { paper: Paper; across: boolean };

const MARGIN = 10;
const PIXELS = 96 / 25.4;

let printing: Page | null = null;
const listeners = new Set<() => void>();

/** The page that is being printed on, if any. */
export function usePrinting(): Page | null {
    return useSyncExternalStore(
        (changed) => {
            listeners.add(changed);
            return () => void listeners.delete(changed);
        },
        () => printing,
    );
}

export function setPrinting(page: Page | null): void {
    printing = page;
    listeners.forEach((changed) => changed());
}

/** What can be printed on, within the margins, in CSS pixels. */
export function printable({ paper, across }: Page): { width: number; height: number } {
    const [short, long] = PAPERS[paper];
    const [width, height] = across ? [long, short] : [short, long];
    return { width: Math.floor((width - 2 * MARGIN) * PIXELS), height: Math.floor((height - 2 * MARGIN) * PIXELS) };
}

/** The rule that tells the printer of the page. */
export function pageRule({ paper, across }: Page): string {
    return `@page { size: ${paper.toUpperCase()} ${across ? 'landscape' : 'portrait'}; margin: ${MARGIN}mm; }`;
}
