import { useQuery } from '@tanstack/react-query';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { usePerson } from '@/features/session/useSession';

/** In milliseconds. */
const EVERY = 5 * 60_000;

/** How the site is, for its administrators; asked now and then, as nobody tells of what stands still. */
export function useSite() {
    const { role, needsSecondFactor } = usePerson();
    return useQuery({
        queryKey: queryKeys.site,
        queryFn: ({ signal }) => answered(api.GET('/site', { signal })),
        enabled: role === 'administrator' && !needsSecondFactor,
        refetchInterval: EVERY,
    });
}

/** Whether letters go out, as far as is known. */
export function useSendsMail(): boolean {
    return useSite().data?.sendsMail ?? true;
}
