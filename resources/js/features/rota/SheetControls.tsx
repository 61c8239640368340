import { ChevronLeft, ChevronRight } from 'lucide-react';
import { Button } from '@/components/Button';
import { useRota } from '@/features/sheet/RotaContext';
import { VIEWS, type View } from '@/features/sheet/rotaSearch';
import { weeksWords } from '@/features/sheet/schoolWeeks';
import { useSheetHeading } from '@/features/sheet/useSheetHeading';
import { lazily } from '@/components/lazily';

const PrintButton = lazily(() => import('@/features/printing/PrintButton'), 'PrintButton', <span className="size-8 max-sm:hidden" />);
const SinceButton = lazily(() => import('@/features/since/SinceButton'), 'SinceButton');
const ViewOptions = lazily(() => import('./ViewOptions'), 'ViewOptions', <span className="size-8" />);

const NAMES: Record<View, string> = { lanes: 'Lanes', day: 'Day', week: 'Week', month: 'Month', year: 'Year', list: 'List', table: 'Table' };
const UNITS: Record<View, string> = { lanes: 'week', day: 'day', week: 'week', month: 'month', year: 'year', list: 'week', table: 'month' };

/** Turns the sheet over: back, today, on; and chooses how it is drawn. */
export function SheetControls() {
    const rota = useRota();
    const heading = useSheetHeading();
    const unit = UNITS[rota.view];
    return (
        <div className="flex h-12 shrink-0 items-center gap-2 border-b border-ink px-3 max-sm:h-auto max-sm:flex-wrap max-sm:gap-y-0 max-sm:pt-1.5 sm:gap-3 sm:px-3.5">
            <div className="flex gap-1.5">
                <Button className="border-line px-1.5" onClick={() => rota.step(-1)} aria-label={`Back a ${unit}`}>
                    <ChevronLeft size={16} />
                </Button>
                <Button className="border-line" onClick={() => rota.go({ date: rota.today })}>
                    Today
                </Button>
                <Button className="border-line px-1.5" onClick={() => rota.step(1)} aria-label={`On a ${unit}`}>
                    <ChevronRight size={16} />
                </Button>
            </div>
            <h2 className="min-w-0 truncate text-base font-medium max-sm:flex-1 sm:shrink-0 sm:text-[19px]" aria-live="polite">
                {heading}
            </h2>
            <p className="min-w-0 shrink-[99] truncate text-soft max-lg:hidden" title={rota.zone}>
                {['lanes', 'month', 'week', 'day'].includes(rota.view) ? weeksWords(rota.sheet?.weeks, rota.focus) : rota.zone}
            </p>
            <div role="tablist" aria-label="View" className="tabs">
                {VIEWS.filter((view) => view !== 'table' || rota.search.of === undefined).map((view) => (
                    <button
                        key={view}
                        type="button"
                        role="tab"
                        aria-selected={rota.view === view}
                        onClick={() => rota.go({ view })}
                        className="tab"
                    >
                        {NAMES[view]}
                    </button>
                ))}
            </div>
            {rota.view !== 'table' && rota.search.as === undefined && <SinceButton />}
            {rota.view !== 'table' && <PrintButton />}
            <ViewOptions />
        </div>
    );
}
