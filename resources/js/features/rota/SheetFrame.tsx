import type { UseQueryResult } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Failed, Loading } from '@/components/States';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useOpenSteps } from '@/features/first-steps/useFirstSteps';
import { SheetBoard } from '@/features/sheet/SheetBoard';
import { marked } from '@/features/sheet/marked';
import { useRota } from '@/features/sheet/RotaContext';
import type { Sheet } from '@/features/sheet/useSheet';
import { useSince } from '@/features/sheet/useSince';
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
    const { through, span } = useRota();
    const changes = useSince(through, span, sheet.data !== undefined && !table).data?.changes;
    const drawn = useMemo(() => (sheet.data === undefined || changes === undefined ? sheet.data : { ...sheet.data, items: [...marked(sheet.data.items, changes, through.group === 'layer')] }), [sheet.data, changes, through.group]);
    return (
        <div className="min-h-0 min-w-0 flex-1 overflow-auto bg-sheet" data-scroller aria-busy={sheet.isFetching}>
            {sheet.isError || overlaysError !== null ? (
                <Failed error={sheet.error ?? overlaysError} retry={() => void sheet.refetch()} />
            ) : drawn === undefined ? (
                <Loading what="the sheet" />
            ) : drawn.layers.length === 0 || (begins && drawn.items.length === 0) ? (
                <EmptySheet />
            ) : (
                table ? <TableSheet /> : <SheetBoard sheet={drawn} />
            )}
        </div>
    );
}
