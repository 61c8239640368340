import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useSettled } from '@/components/useSettled';
import { usePerson } from '@/features/session/useSession';
import { formatWhen } from '@/time/dates';

export type LayerCount = Schemas['LayerCount'];

/** What each of these layers takes of the coming half year, told anew once one pauses. */
export function useLayerCounts(layers: Schemas['OverlayLayer'][], everyLayer: boolean): LayerCount[] {
    const tz = usePerson().timezone;
    const asked = useSettled(JSON.stringify({ tz, everyLayer, layers }), 300);
    const input = JSON.parse(asked) as Schemas['LayerCountsInput'];
    const counts = useQuery({
        queryKey: queryKeys.layerCounts(asked),
        queryFn: ({ signal }) => answered(api.POST('/overlays/counts', { body: input, signal })),
        enabled: input.layers.length > 0,
        placeholderData: keepPreviousData,
        retry: false,
    });
    // Of as many layers as there were a moment ago: a count is never another layer's for long.
    return counts.data?.length === layers.length ? counts.data : [];
}

/** Of what it takes one example, as people say it. */
export function countWords({ count, example }: LayerCount): string {
    if (count === null) return '';
    if (count === 0) return 'It takes nothing of the coming half year.';
    return `It takes ${count} in the coming half year${example === null ? '' : `, such as “${example.title}”, ${formatWhen(example)}`}.`;
}
