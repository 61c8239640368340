import type { UseQueryResult } from '@tanstack/react-query';
import { Failed, Loading } from '@/components/States';
import { SheetBoard } from '@/features/sheet/SheetBoard';
import { useRota } from '@/features/sheet/RotaContext';
import type { Sheet } from '@/features/sheet/useSheet';
import { lazily } from '@/components/lazily';

const EmptySheet = lazily(() => import('./EmptySheet'), 'EmptySheet');

const TableSheet = lazily(() => import('@/features/table/TableSheet'), 'TableSheet');

type Props = { sheet: UseQueryResult<Sheet>; overlaysError: Error | null };

/** Where the sheet scrolls; what shows while it is fetched, when that fails, and when there is nothing yet. */
export function SheetFrame({ sheet, overlaysError }: Props) {
    const table = useRota().view === 'table';
    return (
        <div className="min-h-0 min-w-0 flex-1 overflow-auto bg-sheet" data-scroller aria-busy={sheet.isFetching}>
            {sheet.isError || overlaysError !== null ? (
                <Failed error={sheet.error ?? overlaysError} retry={() => void sheet.refetch()} />
            ) : sheet.data === undefined ? (
                <Loading what="the sheet" />
            ) : sheet.data.layers.length === 0 ? (
                <EmptySheet />
            ) : (
                table ? <TableSheet /> : <SheetBoard sheet={sheet.data} />
            )}
        </div>
    );
}
