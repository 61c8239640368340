import { useCallback, useEffect } from 'react';
import { toast } from '@/toast/toast';
import { api, type Schemas } from '@/api/client';
import { tellRefusal, useRefresh } from '@/api/useAction';
import { lastDone, lastUndone, turned } from './operations';

/** One after the other, in the order in which they were asked for. */
let last: Promise<void> = Promise.resolve();

/** Undoes what was done with events, as a whole, and does it again. */
export function useUndo() {
    const refresh = useRefresh();
    return useCallback(
        (operation: number, back: boolean) => {
            const turn = (to: boolean): void => {
                // The next press is about the one before, also while this one is still on its way.
                turned(operation, to);
                last = last
                    .then(() => api.POST(to ? '/operations/{id}/undo' : '/operations/{id}/redo', { params: { path: { id: operation } } }))
                    .then(({ data }) => {
                        toast(`${to ? 'Undone.' : 'Done again.'}${keptWords(data)}`, { action: { label: to ? 'Redo' : 'Undo', onClick: () => turn(!to) } });
                        void refresh('events');
                    })
                    .catch((problem: unknown) => {
                        turned(operation, !to);
                        tellRefusal(problem);
                    });
            };
            turn(back);
        },
        [refresh],
    );
}

/** What stays as it is, since somebody has changed it since. */
function keptWords(undone: Schemas['Undone'] | undefined): string {
    const [first] = undone?.kept ?? [];
    if (undone === undefined || first === undefined) return '';
    const more = undone.keptCount - 1;
    return ` “${first}”${more === 0 ? '' : more === 1 ? ' and one more' : ` and ${more.toLocaleString('en-GB')} more`} ${more === 0 ? 'was' : 'were'} changed since, and ${more === 0 ? 'stays' : 'stay'} so.`;
}

/** Control (or Command) and Z undoes the last change of events, with Shift it is done again; in a field the field has it. */
export function useUndoKeys(): void {
    const turn = useUndo();
    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z' || event.altKey) return;
            if (event.target instanceof Element && event.target.closest('input, textarea, select, [contenteditable]') !== null) return;
            event.preventDefault();
            const operation = event.shiftKey ? lastUndone() : lastDone();
            if (operation === undefined) toast(event.shiftKey ? 'There is nothing to do again.' : 'There is nothing to undo.');
            else turn(operation, !event.shiftKey);
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    }, [turn]);
}
