import { BookmarkPlus, CalendarRange, Columns3 } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { CheckField, CONTROL } from '@/components/Field';
import { useCalendars } from '@/features/calendars/useCalendars';
import { PERIODS, type Period, type RotaSearch } from '@/features/sheet/rotaSearch';
import { useRota } from '@/features/sheet/RotaContext';
import { COLUMNS, type Column } from './columns';
import { KeepTableDialog } from './KeepTableDialog';
import { TakeMenu } from './TakeMenu';
import { MOST_CHOSEN, type Asked } from './useTable';
import { WeeksDialog } from './WeeksDialog';

export type BulkAction = 'set' | 'shift' | 'copy' | 'delete';

type Props = {
    total: number;
    asked: Asked;
    shown: Column['key'][];
    onShown: (keys: Column['key'][]) => void;
    selected: { id: number }[];
    onAll: () => void;
    onNone: () => void;
    onBulk: (action: BulkAction) => void;
};

const PERIOD_NAMES: Record<Period, string> = { month: 'a month on', half: 'half a year on', year: 'a year on', all: 'all, past and to come' };
const STATES = { '': 'in any state', confirmed: 'confirmed', provisional: 'provisional', cancelled: 'cancelled' };

/** What the table is about; and once rows are chosen, what can be done with them. */
export function TableBar({ total, asked, shown, onShown, selected, onAll, onNone, onBulk }: Props) {
    const rota = useRota();
    const [laying, setLaying] = useState(false);
    const [keeping, setKeeping] = useState(false);
    const mayAdd = useCalendars().data?.some((each) => each.mayAdd) === true && rota.search.as === undefined;
    return (
        <div className="flex min-h-10 shrink-0 flex-wrap items-center gap-2 border-b border-line px-3 py-1.5" role="toolbar" aria-label="Table">
            {selected.length === 0 ? (
                <>
                    <p className="mr-auto text-soft" aria-live="polite">
                        <b className="font-semibold text-ink">{total}</b> {total === 1 ? 'event' : 'events'}
                        <span className="max-xl:hidden"> · Enter writes in a cell, Alt Enter opens</span>
                    </p>
                    <select aria-label="State" className={`${CONTROL} w-auto!`} value={asked.status} onChange={(event) => rota.go({ state: (event.target.value || undefined) as RotaSearch['state'] })}>
                        {Object.entries(STATES).map(([value, name]) => (
                            <option key={value} value={value}>
                                {name}
                            </option>
                        ))}
                    </select>
                    <select aria-label="Time" className={`${CONTROL} w-auto!`} value={rota.period} onChange={(event) => rota.go({ period: event.target.value as Period })}>
                        {PERIODS.map((each) => (
                            <option key={each} value={each}>
                                {PERIOD_NAMES[each]}
                            </option>
                        ))}
                    </select>
                    <Popover.Root>
                        <Popover.Trigger asChild>
                            <Button className="border-line">
                                <Columns3 size={14} aria-hidden="true" className="max-sm:hidden" /> Columns
                            </Button>
                        </Popover.Trigger>
                        <Popover.Portal>
                            <Popover.Content align="end" sideOffset={6} aria-label="Columns" className="z-40 border border-ink bg-sheet p-3 text-[13px] shadow-(--shadow)">
                                {COLUMNS.map((column) => (
                                    <CheckField
                                        key={column.key}
                                        label={column.name}
                                        disabled={column.key === 'title'}
                                        checked={shown.includes(column.key)}
                                        onChange={(event) => onShown(event.target.checked ? [...shown, column.key] : shown.filter((each) => each !== column.key))}
                                    />
                                ))}
                            </Popover.Content>
                        </Popover.Portal>
                    </Popover.Root>
                    {rota.search.as === undefined && (
                        <Button className="border-line" onClick={() => setKeeping(true)}>
                            <BookmarkPlus size={14} aria-hidden="true" className="max-sm:hidden" /> Keep…
                        </Button>
                    )}
                    <TakeMenu asked={asked} shown={shown} chosen={[]} />
                    <Button className="border-line" disabled={!mayAdd} onClick={() => setLaying(true)}>
                        <CalendarRange size={14} aria-hidden="true" className="max-sm:hidden" /> Lay a week…
                    </Button>
                </>
            ) : (
                <>
                    <p className="mr-auto" aria-live="polite">
                        <b className="font-semibold">{selected.length}</b> of {total} chosen
                    </p>
                    <Button look="primary" onClick={() => onBulk('set')}>
                        Change…
                    </Button>
                    <Button onClick={() => onBulk('shift')}>Move in time…</Button>
                    <Button onClick={() => onBulk('copy')}>Copy to other days…</Button>
                    <Button onClick={() => onBulk('delete')}>Delete…</Button>
                    {selected.length <= MOST_CHOSEN && <TakeMenu asked={asked} shown={shown} chosen={selected} />}
                    {selected.length < total && (
                        <Button look="quiet" onClick={onAll}>
                            Choose all {total}
                        </Button>
                    )}
                    <Button look="quiet" onClick={onNone}>
                        None
                    </Button>
                </>
            )}
            {keeping && <KeepTableDialog asked={asked} columns={shown} onClose={() => setKeeping(false)} />}
            {laying && <WeeksDialog onClose={() => setLaying(false)} />}
        </div>
    );
}
