import { Fragment, useState, type Key, type ReactNode } from 'react';
import { Button } from './Button';

type Props<Entry> = { entries: Entry[]; keyOf: (entry: Entry) => Key; /** So many stand there at first. */ first?: number; what: string; children: (entry: Entry) => ReactNode };

/** The items of a long list, which folds away: the first of them, and all once they are asked for. One or two over are no reason to. */
export function Folded<Entry>({ entries, keyOf, first = 6, what, children }: Props<Entry>) {
    const [open, setOpen] = useState(false);
    const folds = entries.length > first + 2;
    return (
        <>
            {(folds && !open ? entries.slice(0, first) : entries).map((entry) => (
                <Fragment key={keyOf(entry)}>{children(entry)}</Fragment>
            ))}
            {folds && (
                <li>
                    <Button look="quiet" className="mt-1" aria-expanded={open} onClick={() => setOpen(!open)}>
                        {open ? 'Show fewer' : `Show all ${entries.length} ${what}`}
                    </Button>
                </li>
            )}
        </>
    );
}
