import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { Problem } from './client';

type Options<Input, Answer> = {
    onDone?: (answer: Answer, input: Input) => void;
    /** The form that it is done from says itself what is wrong. */
    quiet?: boolean;
};

/** Something that is done on the server; all that is on screen is asked of it anew afterwards. */
export function useAction<Input = void, Answer = void>(act: (input: Input) => Promise<Answer>, { onDone, quiet = false }: Options<Input, Answer> = {}) {
    const refresh = useRefresh();
    return useMutation({
        mutationFn: act,
        onSuccess: (answer, input) => {
            onDone?.(answer, input);
            void refresh();
        },
        onError: (error) => {
            if (!quiet) tellRefusal(error);
        },
    });
}

export function useRefresh(): () => Promise<void> {
    const client = useQueryClient();
    return () => client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' && queryKey[0] !== 'changes' });
}

export function tellRefusal(error: unknown): void {
    const told = error instanceof Problem ? error : null;
    toast.error(told?.message ?? 'Something went wrong.', { description: told?.fields[0]?.message ?? told?.detail });
}

/** The problem that a form shows, where there is one. */
export function problemOf(action: { error: unknown }): Problem | null {
    return action.error instanceof Problem ? action.error : null;
}
