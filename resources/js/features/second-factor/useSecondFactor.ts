import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';

/** Whether one signs in by a second factor, and what can be done about it. */
export function useSecondFactor() {
    const client = useQueryClient();
    const state = useQuery({ queryKey: queryKeys.secondFactor, queryFn: ({ signal }) => answered(api.GET('/session/second-factor', { signal })), staleTime: 0 });
    // What one may do can depend on it, which the session tells.
    const told = () => void Promise.all([queryKeys.secondFactor, queryKeys.session].map((queryKey) => client.invalidateQueries({ queryKey })));
    const begin = useAction((password: string) => answered(api.POST('/session/second-factor', { body: { password } })), { quiet: true });
    const confirm = useAction((code: string) => answered(api.PUT('/session/second-factor', { body: { code } })), { quiet: true, onDone: told });
    const renew = useAction((password: string) => answered(api.POST('/session/second-factor/codes', { body: { password } })), { quiet: true, onDone: told });
    const end = useAction((password: string) => answered(api.DELETE('/session/second-factor', { body: { password } })), { quiet: true, onDone: told });
    return { state, begin, confirm, renew, end };
}
