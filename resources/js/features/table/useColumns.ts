import { useState } from 'react';
import { COLUMNS, USUAL, type Column } from './columns';

const KEPT = 'rota.columns';

/** The columns that are shown, remembered in this browser. */
export function useColumns(): [Column['key'][], (keys: Column['key'][]) => void] {
    const [shown, setShown] = useState<Column['key'][]>(() => {
        const kept = (localStorage.getItem(KEPT) ?? '').split(',');
        const known = COLUMNS.map((each) => each.key).filter((key) => kept.includes(key));
        return known.length === 0 ? USUAL : known;
    });
    return [
        shown,
        (keys) => {
            // A table without titles tells nothing.
            const put = COLUMNS.map((each) => each.key).filter((key) => key === 'title' || keys.includes(key));
            localStorage.setItem(KEPT, put.join(','));
            setShown(put);
        },
    ];
}
