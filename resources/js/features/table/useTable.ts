import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { api, type Schemas } from '@/api/client';
import { sheetQuery, type Span, type Through } from '@/features/sheet/useSheet';
import type { Column } from './columns';

export type Sorting = { by: Column['key']; descending: boolean };

type Asked = { through: Through; span: Span; status: string; sorting: Sorting };

function query({ through, span, status, sorting }: Asked) {
    return { ...sheetQuery({ ...through, group: 'layer' }, span), status: status === '' ? undefined : status, sort: sorting.by, descending: sorting.descending ? '1' : undefined };
}

/** The events of a window as rows, page after page as one reads on. */
export function useTable(asked: Asked) {
    return useInfiniteQuery({
        queryKey: ['sheet', 'table', asked],
        initialPageParam: 0,
        queryFn: ({ signal, pageParam }) => api<Schemas['Table']>('GET', '/table', { query: { ...query(asked), cursor: String(pageParam) }, signal }),
        getNextPageParam: (page) => page.next,
        placeholderData: keepPreviousData,
    });
}

/** Every row that matches, however far one has read. */
export function fetchWhole(asked: Asked): Promise<Schemas['TableKey'][]> {
    return api<Schemas['TableKey'][]>('GET', '/table/whole', { query: query(asked) });
}
