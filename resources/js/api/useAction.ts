import { useMutation, useQueryClient, type Query, type QueryClient, type QueryKey } from '@tanstack/react-query';
import { useCallback } from 'react';
import { toast } from '@/toast/toast';
import { Problem } from './client';
import { withoutHurry } from './hurry';
import type { Mark } from './marks';
import { changedBy, type Topic } from './queryKeys';
import { isTouched } from './touched';

type Options<Input, Answer> = {
    onDone?: (answer: Answer, input: Input) => void;
    /** What is different after it: all that may be seen, or events alone. */
    changes?: Topic;
    /** The form that it is done from says itself what is wrong. */
    quiet?: boolean;
    /** It goes on until what is on screen says so, too: what shows its outcome meanwhile does not go back for a moment. */
    untilShown?: boolean;
};

/** Something that is done on the server; what it changes of what is on screen is asked for anew afterwards. */
export function useAction<Input = void, Answer = void>(act: (input: Input) => Promise<Answer>, { onDone, changes = 'access', quiet = false, untilShown = false }: Options<Input, Answer> = {}) {
    const refresh = useRefresh();
    return useMutation({
        mutationFn: act,
        onSuccess: (answer, input) => {
            onDone?.(answer, input);
            const shown = refresh(changes);
            return untilShown ? shown : undefined;
        },
        onError: (error) => {
            if (!quiet) tellRefusal(error);
        },
    });
}

/** Asks anew for what is on screen after one has changed something oneself. */
export function useRefresh(): (topic: Topic) => Promise<void> {
    const client = useQueryClient();
    return useCallback(
        (topic: Topic) => fetchAnew(client, topic),
        [client],
    );
}

/** Asks anew for all that a change makes old. */
export async function fetchAnew(client: QueryClient, topic: Topic): Promise<void> {
    await Promise.all(changedBy(topic).map((queryKey) => askAnew(client, { queryKey })));
}

/** Asks anew for what these changes of events may have made another: nothing, where windows are on screen and none is touched. */
export async function fetchTouched(client: QueryClient, marks: readonly Mark[]): Promise<void> {
    const predicate = (query: Query) => marks.some((mark) => isTouched(query, mark));
    const [queryKey] = changedBy('events');
    const windows = client.getQueryCache().findAll({ queryKey, type: 'active', predicate: ({ meta }) => meta?.days !== undefined });
    const nothing = windows.length > 0 && !windows.some(predicate);
    await withoutHurry(() => (nothing ? client.invalidateQueries({ queryKey, predicate, refetchType: 'none' }) : askAnew(client, { queryKey, predicate })));
}

/**
 * Asks anew for what is on screen. What is asked for the first time at that moment is not broken off, and may have been read before the
 * change: it is asked for once more when it has arrived.
 */
export async function askAnew(client: QueryClient, of: { queryKey: QueryKey; predicate?: (query: Query) => boolean }): Promise<void> {
    const begun = client.getQueryCache().findAll({ ...of, type: 'active' }).filter(({ state }) => state.fetchStatus !== 'idle' && state.data === undefined);
    await client.invalidateQueries(of);
    if (begun.length > 0) await client.refetchQueries({ type: 'active', predicate: (query) => begun.includes(query) });
}

export function tellRefusal(error: unknown): void {
    const told = error instanceof Problem ? error : null;
    toast.error(told?.message ?? 'Something went wrong.', { description: told?.fields[0]?.message ?? told?.detail });
}

/** The problem that a form shows, where there is one. */
export function problemOf(action: { error: unknown }): Problem | null {
    return action.error instanceof Problem ? action.error : null;
}
