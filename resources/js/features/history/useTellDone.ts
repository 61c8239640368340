import { useCallback } from 'react';
import type { ExternalToast } from 'sonner';
import { toast } from '@/toast/toast';
import { remember } from './operations';
import { useUndo } from './useUndo';

/** Says what was done with events, and offers to undo it as a whole. */
export function useTellDone() {
    const turn = useUndo();
    return useCallback(
        (operation: number | null, words: string, more: ExternalToast = {}) => {
            remember(operation);
            toast(words, { ...more, ...(operation === null ? {} : { action: { label: 'Undo', onClick: () => turn(operation, true) } }) });
        },
        [turn],
    );
}
