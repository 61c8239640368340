import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { api, Problem, type Schemas } from '@/api/client';

export type Group = Schemas['Group'];
export type Member = Pick<Schemas['DirectoryEntry'], 'kind' | 'id' | 'name'>;

export function useGroups() {
    return useQuery({ queryKey: ['groups'], queryFn: ({ signal }) => api<Group[]>('GET', '/groups', { signal }) });
}

/** What administrators do with groups. Whom it gives access or takes it from is asked of the server anew. */
export function useGroupActions() {
    const client = useQueryClient();
    const refresh = () => client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
    const refused = (error: unknown) => void toast.error(error instanceof Problem ? (error.fields[0]?.message ?? error.message) : 'Something went wrong.');
    const create = useMutation({ mutationFn: (name: string) => api<Group>('POST', '/groups', { body: { name } }), onSuccess: refresh });
    const rename = useMutation({ mutationFn: ({ group, name }: { group: Group; name: string }) => api<Group>('PATCH', `/groups/${group.id}`, { body: { name } }), onSuccess: refresh });
    const remove = useMutation({
        mutationFn: (group: Group) => api<void>('DELETE', `/groups/${group.id}`),
        onSuccess: (_, group) => {
            toast(`“${group.name}” is deleted, and with it what was shared with it.`);
            return refresh();
        },
        onError: refused,
    });
    const put = useMutation({
        mutationFn: ({ group, member, within }: { group: Group; member: Member; within: boolean }) =>
            api<Group>('PUT', `/groups/${group.id}/members`, { body: { kind: member.kind, id: member.id, member: within } }),
        onSuccess: (_, { group, member, within }) => {
            toast(within ? `${member.name} is in ${group.name} now.` : `${member.name} is out of ${group.name}.`, {
                action: { label: 'Undo', onClick: () => put.mutate({ group, member, within: !within }) },
            });
            return refresh();
        },
        onError: refused,
    });
    return { create, rename, remove, put };
}
