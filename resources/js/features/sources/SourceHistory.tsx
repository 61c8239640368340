import { useState } from 'react';
import { Button } from '@/components/Button';
import { formatMoment } from '@/time/dates';
import { RefreshedEvents } from './RefreshedEvents';
import { countsWords, useTakingBack, type RefreshOf, type Source } from './useSources';

/** What the last refreshes did: with which events, and how to go back to before one. */
export function SourceHistory({ source }: { source: Source }) {
    return (
        <details className="px-3.5 py-2">
            <summary className="cursor-pointer text-soft">What the last refreshes did</summary>
            <ol className="mt-1.5">
                {source.history.map((each) => (
                    <HistoryEntry key={each.id} source={source} refresh={each} />
                ))}
            </ol>
        </details>
    );
}

function HistoryEntry({ source, refresh }: { source: Source; refresh: RefreshOf }) {
    const [open, setOpen] = useState(false);
    const back = useTakingBack(source);
    const at = formatMoment(refresh.at);
    const tells = source.mayManage && refresh.counts !== null && (refresh.reversible || refresh.state === 'held');
    return (
        <li className="border-b border-hair py-1 last:border-0">
            <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                <span className="w-28 text-soft">{at}</span>
                <span className="min-w-40 flex-1">{wordsOf(refresh)}</span>
                {tells && (
                    <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)} aria-label={`${open ? 'Hide them' : 'Which events'}: the refresh of ${at}`}>
                        {open ? 'Hide them' : 'Which events'}
                    </Button>
                )}
                {source.mayManage && refresh.reversible && (
                    <Button look="quiet" disabled={back.isPending} onClick={() => back.mutate(refresh.id)} aria-label={`Go back to before it: the refresh of ${at}`}>
                        Go back to before it
                    </Button>
                )}
            </div>
            {open && tells && <RefreshedEvents source={source.id} refresh={refresh} />}
        </li>
    );
}

function wordsOf(refresh: RefreshOf): string {
    switch (refresh.state) {
        case 'failed':
            return `failed: ${refresh.error ?? ''}`;
        case 'held':
            return `held back: ${countsWords(refresh.counts)}`;
        case 'declined':
            return `not taken in: ${countsWords(refresh.counts)}`;
        case 'taken back':
            return `taken back: ${countsWords(refresh.counts)}`;
        case 'done':
            return countsWords(refresh.counts);
    }
}
