import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, ifMatch, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { toast } from '@/toast/toast';

export type Organisation = Schemas['Organisation'];
export type OrganisationInput = Schemas['OrganisationInput'];

export function useOrganisation() {
    const client = useQueryClient();
    const state = useQuery({ queryKey: queryKeys.organisation, queryFn: ({ signal }) => answered(api.GET('/organisation', { signal })) });
    const save = useAction(
        ({ version, input }: { version: number; input: OrganisationInput }) => answered(api.PATCH('/organisation', { params: { header: ifMatch(version) }, body: input })),
        {
            quiet: true,
            onDone: (saved) => {
                client.setQueryData(queryKeys.organisation, saved);
                toast('That holds for everybody from now on.');
            },
        },
    );
    return { state, save };
}
