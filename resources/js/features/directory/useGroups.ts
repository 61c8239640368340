import { useQuery } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';

export type Group = Schemas['Group'];
export type Member = Pick<Schemas['GroupMemberInput'], 'kind' | 'id'> & { name: string };

export function useGroups() {
    return useQuery({ queryKey: queryKeys.groups, queryFn: ({ signal }) => answered(api.GET('/groups', { signal })) });
}

/** What administrators do with groups. Whom it gives access or takes it from is asked of the server anew. */
export function useGroupActions() {
    const create = useAction((name: string) => answered(api.POST('/groups', { body: { name } })), { quiet: true });
    const rename = useAction(({ group, name }: { group: Group; name: string }) => answered(api.PATCH('/groups/{id}', { params: { path: { id: group.id } }, body: { name } })), { quiet: true });
    const remove = useAction((group: Group) => answered(api.DELETE('/groups/{id}', { params: { path: { id: group.id } } })), {
        onDone: (_, group) => void toast(`“${group.name}” is deleted, and with it what was shared with it.`),
    });
    const put = useAction(
        ({ group, member, within }: { group: Group; member: Member; within: boolean }) => answered(api.PUT('/groups/{id}/members', { params: { path: { id: group.id } }, body: { kind: member.kind, id: member.id, member: within } })),
        {
            onDone: (_, { group, member, within }) =>
                void toast(within ? `${member.name} is in ${group.name} now.` : `${member.name} is out of ${group.name}.`, {
                    action: { label: 'Undo', onClick: () => put.mutate({ group, member, within: !within }) },
                }),
        },
    );
    return { create, rename, remove, put };
}
