import type { UseQueryResult } from '@tanstack/react-query';
import { Failed, Loading } from '@/components/States';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useOpenSteps } from '@/features/first-steps/useFirstSteps';
import { SheetBoard } from '@/features/sheet/SheetBoard';
import { useRota } from '@/features/sheet/RotaContext';
import type { Sheet } from '@/features/sheet/useSheet';
import { lazily } from '@/components/lazily';

const EmptySheet = lazily(() => import('./EmptySheet'), 'EmptySheet');

const TableSheet = lazily(() => import('@/features/table/TableSheet'), 'TableSheet');

type Props = { sheet: UseQueryResult<Sheet>; overlaysError: Error | null };

/** Whether the organisation has nothing yet, and it is one's own to lay out: of what everybody has from the first day nothing is made. */
function useBegins(): boolean {
    const calendars = useCalendars();
    const steps = useOpenSteps();
    return steps.some(({ step }) => step === 'calendar') && calendars.data?.every((each) => each.own) === true;
}

/** Where the sheet scrolls; what shows while it is fetched, when that fails, and when there is nothing yet. */
export function SheetFrame({ sheet, overlaysError }: Props) {
    const table = useRota().view === 'table';
    const begins = useBegins();
    return (
        <div className="min-h-0 min-w-0 flex-1 overflow-auto bg-sheet" data-scroller aria-busy={sheet.isFetching}>
            {sheet.isError || overlaysError !== null ? (
                <Failed error={sheet.error ?? overlaysError} retry={() => void sheet.refetch()} />
            ) : sheet.data === undefined ? (
                <Loading what="the sheet" />
            ) : sheet.data.layers.length === 0 || (begins && sheet.data.items.length === 0) ? (
                <EmptySheet />
            ) : (
                table ? <TableSheet /> : <SheetBoard sheet={sheet.data} />
            )}
        </div>
    );
}
