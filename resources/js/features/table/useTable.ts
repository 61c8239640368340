import { useInfiniteQuery } from '@tanstack/react-query';
import { answered, api, queryString, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { sameThrough, windowQuery, type Span, type Through } from '@/features/sheet/useSheet';
import type { Column } from './columns';
import type { Sorting } from './useTableLook';

/** The state of events, or any. */
export type StatusFilter = Schemas['TableRow']['status'] | '';

/** What is asked for: the layers that are hidden are no rows, whoever counts or chooses them. */
export type Asked = { through: Through; span: Span; status: StatusFilter; hidden: number[]; sorting: Sorting };

function query({ through, span, status, hidden, sorting }: Asked) {
    return { ...windowQuery(through, span), ...(status === '' ? {} : { status }), 'hidden[]': hidden, sort: sorting.by, descending: sorting.descending };
}

/** The events of a window as rows, page after page as one reads on. */
export function useTable(asked: Asked) {
    return useInfiniteQuery({
        queryKey: queryKeys.table(asked.through, asked),
        meta: { days: asked.span },
        initialPageParam: 0,
        queryFn: ({ signal, pageParam }) => answered(api.GET('/table', { params: { query: { ...query(asked), cursor: pageParam } }, signal })),
        getNextPageParam: (page) => page.next,
        placeholderData: sameThrough(asked.through),
    });
}

/** So many that are chosen go into an address. */
export const MOST_CHOSEN = 500;

/** Where what the table shows, or what of it is chosen, is fetched for a spreadsheet. */
export function fileAddress(form: 'xlsx' | 'csv', asked: Asked, columns: Column['key'][], chosen: { id: number }[]): string {
    return `/api/v1/table/${form}?${queryString({ ...query(asked), 'columns[]': columns, ...(chosen.length === 0 ? {} : { 'events[]': chosen.map(({ id }) => id) }) })}`;
}

/** Every row that matches, however far one has read. */
export function fetchWhole(asked: Asked): Promise<Schemas['TableKey'][]> {
    return answered(api.GET('/table/whole', { params: { query: query(asked) } }));
}
