import { useRota } from '@/features/sheet/RotaContext';
import { TABLE_COLUMNS, type TableColumn } from '@/features/sheet/rotaSearch';
import { USUAL } from './columns';
import { storage } from '@/offline/storage';

const KEPT = 'rota.columns';

export type Sorting = { by: TableColumn; descending: boolean };

/** Which columns a table has and how it is sorted: as the address says, else as its overlay opens, else as in this browser before. */
export function useTableLook() {
    const { search, opening, go } = useRota();
    const remembered = TABLE_COLUMNS.filter((key) => (storage.getItem(KEPT) ?? '').split(',').includes(key));
    const shown = search.columns ?? opening?.columns ?? (remembered.length === 0 ? USUAL : remembered);
    const sorting: Sorting = search.sort === undefined ? { by: opening?.sort ?? 'when', descending: opening?.descending ?? false } : { by: search.sort, descending: search.descending === true };
    return {
        shown,
        sorting,
        show: (keys: TableColumn[]) => {
            // A table without titles tells nothing.
            const columns = TABLE_COLUMNS.filter((key) => key === 'title' || keys.includes(key));
            storage.setItem(KEPT, columns.join(','));
            go({ columns });
        },
        sort: (by: TableColumn) => go({ sort: by, descending: (sorting.by === by && !sorting.descending) || undefined }),
    };
}
