import { useEffect, useRef } from 'react';
import { toast } from '@/toast/toast';
import type { useSelection } from './useSelection';
import { fetchWhole, type Asked } from './useTable';

/** What is chosen shows: filters, layers and times that are set afterwards narrow the choice, and it is said. */
export function useNarrowing(selection: ReturnType<typeof useSelection>, asked: Asked) {
    const { through, span, status, hidden } = asked;
    const matching = JSON.stringify([through, span, status, hidden]);
    const matched = useRef(matching);
    // The choice may be another by the time the answer is there.
    const latest = useRef(selection);
    useEffect(() => {
        latest.current = selection;
        if (matched.current === matching) return;
        matched.current = matching;
        if (selection.events.length === 0) return;
        void fetchWhole(asked).then((whole) => {
            const fewer = latest.current.narrow(whole);
            if (fewer > 0) toast(`${fewer} ${fewer === 1 ? 'event that was chosen does' : 'events that were chosen do'} not show any more, and ${fewer === 1 ? 'is' : 'are'} not chosen.`);
        });
    });
}
