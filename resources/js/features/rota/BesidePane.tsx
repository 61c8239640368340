import { ChevronLeft, ChevronRight, X } from 'lucide-react';
import { useCallback, useMemo } from 'react';
import { Button } from '@/components/Button';
import { CONTROL } from '@/components/Field';
import { formatSpan, addDays } from '@/time/dates';
import { RotaContext, type Rota } from '@/features/sheet/RotaContext';
import type { RotaSearch } from '@/features/sheet/rotaSearch';
import { SheetFrame } from './SheetFrame';
import { usePane } from './usePane';

type Props = { search: RotaSearch; go: Rota['go']; doing: Parameters<typeof usePane>[2] };

/** A second sheet beside the first, drawn in the same way: of another overlay, or of another time. */
export function BesidePane({ search, go, doing }: Props) {
    const own = useMemo((): RotaSearch => ({ ...search, overlay: search.beside, date: search.besideDate ?? search.date, calendar: undefined, of: undefined, as: undefined, off: undefined }), [search]);
    const ownGo = useCallback(
        ({ date, ...change }: Partial<RotaSearch>) => go({ ...change, ...(date === undefined ? {} : { besideDate: date }) }),
        [go],
    );
    const { rota, sheet, overlays } = usePane(own, ownGo, doing);
    return (
        <RotaContext.Provider value={rota}>
            <section aria-label="Second sheet" className="flex min-w-0 flex-1 flex-col border-l-2 border-ink max-md:hidden">
                <div className="flex items-center gap-1.5 border-b border-line bg-paper px-2 py-1">
                    <select aria-label="Overlay of the second sheet" className={`${CONTROL} w-auto! min-w-0 shrink`} value={rota.overlay} onChange={(event) => go({ beside: event.target.value })}>
                        <option value="all">My list</option>
                        {overlays.data?.map((each) => (
                            <option key={each.slug} value={each.slug}>
                                {each.name}
                            </option>
                        ))}
                    </select>
                    <Button look="quiet" className="px-1" onClick={() => rota.step(-1)} aria-label="Second sheet back">
                        <ChevronLeft size={15} />
                    </Button>
                    <span className="truncate font-serif" aria-live="polite">
                        {formatSpan(rota.focus.from, addDays(rota.focus.to, -1))}
                    </span>
                    <Button look="quiet" className="px-1" onClick={() => rota.step(1)} aria-label="Second sheet on">
                        <ChevronRight size={15} />
                    </Button>
                    {search.besideDate !== undefined && (
                        <Button look="quiet" onClick={() => go({ besideDate: undefined })}>
                            same days
                        </Button>
                    )}
                    <Button look="quiet" className="ml-auto px-1" onClick={() => go({ beside: undefined, besideDate: undefined })} aria-label="Close the second sheet">
                        <X size={15} />
                    </Button>
                </div>
                <SheetFrame sheet={sheet} overlaysError={overlays.error} />
            </section>
        </RotaContext.Provider>
    );
}
