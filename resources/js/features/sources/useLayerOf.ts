import type { Schemas } from '@/api/client';
import { useOverlayActions, useOverlays, type Overlay } from '@/features/overlays/useOverlays';

type Source = Pick<Schemas['SourceInput'], 'name' | 'colour' | 'mark'>;

/** Puts a calendar that was just subscribed to onto an overlay as a layer of its own. */
export function useLayerOf() {
    const overlays = useOverlays().data ?? [];
    const { save } = useOverlayActions();
    const mine = overlays.filter(({ level }) => level === 'change' || level === 'manage');
    const put = async (slug: string, source: Source, calendar: string): Promise<void> => {
        const overlay = mine.find((each) => each.slug === slug);
        if (overlay === undefined) return;
        const { name, everyLayer, openingView } = overlay;
        await save.mutateAsync({ overlay, input: { name, everyLayer, openingView, layers: withLayer(overlay.layers, { ...source, pattern: 'plain', takes: 'chosen', group: null, calendars: [calendar], conditions: [] }) } });
    };
    return { overlays: mine, put };
}

/** Before what takes the rest, which would leave nothing to it. */
function withLayer(layers: Overlay['layers'], layer: Overlay['layers'][number]): Overlay['layers'] {
    const at = layers.findIndex(({ takes }) => takes !== 'chosen' && takes !== 'group');
    return at === -1 ? [...layers, layer] : [...layers.slice(0, at), layer, ...layers.slice(at)];
}
