import { useState, type ReactNode } from 'react';
import { Button } from './Button';

type Props<Entry> = { entries: Entry[]; /** So many stand there at first. */ first?: number; what: string; children: (shown: Entry[]) => ReactNode };

/** A long list folds away: its first entries, and all of them once they are asked for. One or two over are no reason to. */
export function Folded<Entry>({ entries, first = 6, what, children }: Props<Entry>) {
    const [open, setOpen] = useState(false);
    const folds = entries.length > first + 2;
    return (
        <>
            {children(folds && !open ? entries.slice(0, first) : entries)}
            {folds && (
                <Button look="quiet" className="mt-1" aria-expanded={open} onClick={() => setOpen(!open)}>
                    {open ? 'Show fewer' : `Show all ${entries.length} ${what}`}
                </Button>
            )}
        </>
    );
}
