import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { api, type Schemas } from '@/api/client';

export type Overlay = Schemas['Overlay'];
export type OverlayInput = Schemas['OverlayInput'];

export function useOverlays() {
    return useQuery({ queryKey: ['overlays'], queryFn: ({ signal }) => api<Overlay[]>('GET', '/overlays', { signal }) });
}

export function useOverlayActions() {
    const client = useQueryClient();
    const refresh = () => client.invalidateQueries({ predicate: ({ queryKey }) => ['overlays', 'sheet', 'ruler'].includes(String(queryKey[0])) });
    const save = useMutation({
        mutationFn: ({ overlay, input }: { overlay: Overlay | null; input: OverlayInput }) =>
            overlay === null
                ? api<Overlay>('POST', '/overlays', { body: input })
                : api<Overlay>('PUT', `/overlays/${overlay.slug}`, { body: input, version: overlay.version }),
        onSuccess: (saved, { overlay }) => {
            client.setQueryData<Overlay[]>(['overlays'], (known = []) => [...known.filter((each) => each.slug !== saved.slug), saved]);
            void refresh();
            toast(overlay === null ? `Kept as “${saved.name}”.` : `“${saved.name}” is changed.`);
        },
    });
    const remove = useMutation({
        mutationFn: (overlay: Overlay) => api<void>('DELETE', `/overlays/${overlay.slug}`),
        onSuccess: (_, overlay) => {
            void refresh();
            toast(`“${overlay.name}” is deleted. Its calendars stay.`, {
                action: {
                    label: 'Undo',
                    onClick: () => void api('POST', `/overlays/${overlay.slug}/restore`).then(refresh),
                },
            });
        },
    });
    return { save, remove };
}
