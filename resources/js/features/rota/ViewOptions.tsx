import { Minus, Plus, SlidersHorizontal } from 'lucide-react';
import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from '@/components/Button';
import { CheckField, CONTROL } from '@/components/Field';
import { setDrawing, useDrawing } from '@/features/sheet/drawing';
import { stepHourHeight } from '@/features/sheet/hourHeight';
import { GROUPINGS, MOST_WEEKS, type Grouping } from '@/features/sheet/rotaSearch';
import { useRota } from '@/features/sheet/RotaContext';

const ROWS: Record<Grouping, string> = { layer: 'a layer', person: 'who is responsible', place: 'a place', calendar: 'a calendar', category: 'a category' };

/** How the view is drawn beyond its kind: rows and weeks of lanes, the hour scale, side by side, a second sheet. */
export function ViewOptions() {
    const rota = useRota();
    const { view, search } = rota;
    const apart = useDrawing('ribbonsApart');
    const allOfIt = useDrawing('allOfIt');
    const hours = view === 'week' || view === 'day';
    return (
        <>
            <Popover.Root>
                <Popover.Trigger asChild>
                    <Button className="border-line px-1.5" aria-label="How it is drawn">
                        <SlidersHorizontal size={15} />
                    </Button>
                </Popover.Trigger>
                <Popover.Portal>
                    <Popover.Content align="end" sideOffset={6} aria-label="How it is drawn" className="z-40 flex w-64 flex-col gap-3 border border-ink bg-sheet p-3 text-[13px] shadow-(--shadow)">
                        {view === 'lanes' && (
                            <>
                                <Choice label="A row is">
                                    <select aria-label="A row is" className={CONTROL} value={rota.through.group} onChange={(event) => rota.go({ group: event.target.value === 'layer' && search.of === undefined ? undefined : (event.target.value as Grouping) })}>
                                        {GROUPINGS.filter((each) => search.of === undefined || each !== 'calendar').map((each) => (
                                            <option key={each} value={each}>
                                                {ROWS[each]}
                                            </option>
                                        ))}
                                    </select>
                                </Choice>
                                <Choice label="Weeks">
                                    <select aria-label="Weeks" className={CONTROL} value={search.weeks ?? 2} onChange={(event) => rota.go({ weeks: Number(event.target.value) })}>
                                        {Array.from({ length: MOST_WEEKS }, (_, index) => index + 1).map((weeks) => (
                                            <option key={weeks} value={weeks}>
                                                {weeks === 1 ? 'one' : weeks}
                                            </option>
                                        ))}
                                    </select>
                                </Choice>
                            </>
                        )}
                        {hours && (
                            <>
                                <CheckField label="Layers side by side" checked={search.side === true} onChange={(event) => rota.go({ side: event.target.checked || undefined })} />
                                <Choice label="Hours">
                                    <span className="flex gap-1.5">
                                        <Button onClick={() => stepHourHeight(-1)} aria-label="Lower hours">
                                            <Minus size={14} />
                                        </Button>
                                        <Button onClick={() => stepHourHeight(1)} aria-label="Higher hours">
                                            <Plus size={14} />
                                        </Button>
                                    </span>
                                </Choice>
                            </>
                        )}
                        {(view === 'month' || hours) && <CheckField label="Whole days of a layer apart" checked={apart} onChange={(event) => setDrawing('ribbonsApart', event.target.checked)} />}
                        {view === 'month' && <CheckField label="All of each day" checked={allOfIt} onChange={(event) => setDrawing('allOfIt', event.target.checked)} />}
                        <div className="max-md:hidden">
                            <CheckField
                                label="A second sheet beside it"
                                checked={search.beside !== undefined}
                                onChange={(event) => rota.go(event.target.checked ? { beside: rota.overlay, besideDate: undefined } : { beside: undefined, besideDate: undefined })}
                            />
                        </div>
                    </Popover.Content>
                </Popover.Portal>
            </Popover.Root>
        </>
    );
}

function Choice({ label, children }: { label: string; children: ReactNode }) {
    return (
        <div className="flex items-center justify-between gap-3">
            <span className="text-soft">{label}</span>
            <span className="w-36">{children}</span>
        </div>
    );
}
