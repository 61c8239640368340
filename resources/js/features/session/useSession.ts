import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { leaveDevice, noteStay } from '@/offline/device';
import { forgetAllForms } from '@/features/kept/keptForms';

export function useSession() {
    return useQuery({ queryKey: queryKeys.session, queryFn: ({ signal }) => answered(api.GET('/session', { signal })), staleTime: Infinity });
}

/** The person who is signed in; only below the sign-in page. */
export function usePerson(): Schemas['Person'] {
    const person = useSession().data?.person;
    if (person === null || person === undefined) throw new Error('Nobody is signed in.');
    return person;
}

/** What everybody is told of the organisation; empty while nobody knows. */
export function useOrganisationName(): Schemas['OrganisationName'] {
    return useSession().data?.organisation ?? { name: '', firstMonth: null, terms: false, alternates: false, meetings: false };
}

/** Whether groups, rooms and common categories are the person's to keep. */
export function useKeepsCommon(): boolean {
    return usePerson().role !== 'member';
}

export function useSignIn() {
    const client = useQueryClient();
    return useMutation({
        mutationFn: (credentials: { email: string; password: string; stay?: boolean; code?: string }) => answered(api.POST('/session', { body: credentials })),
        onSuccess: (session, { stay = false }) => {
            noteStay(stay);
            client.setQueryData(queryKeys.session, session);
        },
    });
}

export function useSignOut() {
    const client = useQueryClient();
    return useMutation({
        mutationFn: () => answered(api.DELETE('/session')),
        // Nothing of one person's may be seen by the next at the same screen.
        onSuccess: async () => {
            forgetAllForms();
            await leaveDevice();
            client.removeQueries({ predicate: (query) => query.queryKey[0] !== queryKeys.session[0] });
            await client.resetQueries({ queryKey: queryKeys.session });
        },
    });
}
