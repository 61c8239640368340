import { useState } from 'react';
import { Button } from '@/components/Button';
import { formatMoment } from '@/time/dates';
import { RefreshedEvents } from './RefreshedEvents';
import { useDeciding, type RefreshOf } from './useSources';

/** A refresh that would take much away: what would go, and whether it is meant. */
export function HeldRefresh({ source, held }: { source: { id: number; calendar: { name: string } }; held: RefreshOf }) {
    const [open, setOpen] = useState(false);
    const { take, keep, isBusy } = useDeciding(source);
    const { added = 0, changed = 0, removed = 0, unchanged = 0 } = held.counts ?? {};
    const before = removed + changed + unchanged;
    return (
        <section aria-label={`Held back: ${source.calendar.name}`} className="border-b border-line border-l-[3px] border-l-pin px-3.5 py-2">
            <p>
                <b className="font-semibold">{removed === before ? `All ${removed} events are gone there.` : `${removed} of ${before} events are gone there.`}</b> Nothing was taken away here: say whether it is meant
                {added + changed > 0 && ` (it also has ${added} new and ${changed} changed)`}. <span className="text-soft">{formatMoment(held.at)}</span>
            </p>
            <div className="mt-1.5 flex flex-wrap gap-1.5">
                <Button look="primary" disabled={isBusy} onClick={() => keep(held.id)} aria-label={`Keep what is there: ${source.calendar.name}`}>
                    Keep what is there
                </Button>
                <Button disabled={isBusy} onClick={() => take(held.id)} aria-label={`It is meant, take them away: ${source.calendar.name}`}>
                    It is meant, take them away
                </Button>
                <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
                    {open ? 'Hide them' : 'Which ones?'}
                </Button>
            </div>
            {open && <RefreshedEvents source={source.id} refresh={held} />}
        </section>
    );
}
