import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useSettled } from '@/components/useSettled';

export type PublicationPreview = Schemas['PublicationPreview'];

/** What a publication would give, told anew once one pauses; null where it is not known of what it is, or something in it is not fit yet. */
export function usePublicationPreview(input: Schemas['PublicationInput'], id: number | null): PublicationPreview | null {
    // What it tells does not depend on its name or address, which may not be written yet.
    const asked = useSettled(JSON.stringify({ ...input, slug: undefined, id, name: 'Preview', audience: 'with the link' }), 400);
    const isKnown = id !== null || asked.includes('"calendar":') || asked.includes('"overlay":');
    const preview = useQuery({
        queryKey: queryKeys.publicationPreview(asked),
        queryFn: ({ signal }) => answered(api.POST('/publications/preview', { body: JSON.parse(asked) as Schemas['PublicationInput'], signal })),
        enabled: isKnown,
        placeholderData: keepPreviousData,
        retry: false,
    });
    return isKnown && !preview.isError ? (preview.data ?? null) : null;
}
