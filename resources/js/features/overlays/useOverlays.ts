import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { answered, api, ifMatch, type Schemas } from '@/api/client';
import { useRefresh } from '@/api/useAction';
import { queryKeys } from '@/api/queryKeys';

export type Overlay = Schemas['Overlay'];
export type OverlayInput = Schemas['OverlayInput'];

export function useOverlays() {
    return useQuery({ queryKey: queryKeys.overlays, queryFn: ({ signal }) => answered(api.GET('/overlays', { signal })) });
}

export function useOverlayActions() {
    const client = useQueryClient();
    const refresh = useRefresh();
    const save = useMutation({
        mutationFn: ({ overlay, input }: { overlay: Overlay | null; input: OverlayInput }) =>
            overlay === null
                ? answered(api.POST('/overlays', { body: input }))
                : answered(api.PUT('/overlays/{slug}', { params: { path: { slug: overlay.slug }, header: ifMatch(overlay.version) }, body: input })),
        onSuccess: (saved, { overlay }) => {
            client.setQueryData<Overlay[]>(queryKeys.overlays, (known = []) => [...known.filter((each) => each.slug !== saved.slug), saved]);
            void refresh('access');
            toast(overlay === null ? `Kept as “${saved.name}”.` : `“${saved.name}” is changed.`);
        },
    });
    const remove = useMutation({
        mutationFn: (overlay: Overlay) => answered(api.DELETE('/overlays/{slug}', { params: { path: { slug: overlay.slug } } })),
        onSuccess: (_, overlay) => {
            void refresh('access');
            toast(`“${overlay.name}” is deleted. Its calendars stay.`, {
                action: {
                    label: 'Undo',
                    onClick: () => void answered(api.POST('/overlays/{slug}/restore', { params: { path: { slug: overlay.slug } } })).then(() => refresh('access')),
                },
            });
        },
    });
    return { save, remove };
}
