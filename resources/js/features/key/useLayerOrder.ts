import { toast } from '@/toast/toast';
import { Problem } from '@/api/client';
import type { Layer } from '@/features/overlays/LayerFields';
import { isThroughOverlay } from '@/features/sheet/rotaSearch';
import { useRota } from '@/features/sheet/RotaContext';
import { useOverlayActions, useOverlays, type Overlay } from '@/features/overlays/useOverlays';

/** The layers of the overlay in view, to be put in another order or changed where they are; null where one may not. */
export function useLayerOrder() {
    const rota = useRota();
    const overlays = useOverlays();
    const { save: saving } = useOverlayActions();
    const found = isThroughOverlay(rota.search) ? overlays.data?.find((each) => each.slug === rota.overlay) : undefined;
    const overlay = found !== undefined && (found.level === 'change' || found.level === 'manage') ? found : null;
    const change = (part: Partial<Pick<Overlay, 'layers' | 'colouredBy'>>) => {
        if (overlay === null) return;
        const { name, everyLayer, openingView, layers } = overlay;
        saving.mutate(
            { overlay, input: { name, everyLayer, openingView, layers, ...part } },
            {
                onError: (error) => {
                    const told = error instanceof Problem ? error : null;
                    toast.error(told?.status === 412 ? 'Somebody changed this overlay at the same time. It is fetched anew: try again.' : (told?.fields[0]?.message ?? told?.message ?? 'Something went wrong.'));
                    void overlays.refetch();
                },
            },
        );
    };
    const put = (layers: Layer[]) => change({ layers });
    /** Takes a layer to another place; what is toggled off stays so. */
    const shift = (from: number, to: number) => {
        if (overlay === null || from === to || to < 0 || to >= overlay.layers.length) return;
        const order = overlay.layers.map((_, index) => index);
        order.splice(to, 0, ...order.splice(from, 1));
        if (rota.hidden.size > 0) rota.go({ off: order.flatMap((old, index) => (rota.hidden.has(old) ? index : [])) });
        put(order.flatMap((index) => overlay.layers[index] ?? []));
    };
    const save = (index: number, part: Partial<Layer>) => overlay !== null && put(overlay.layers.map((layer, each) => (each === index ? { ...layer, ...part } : layer)));
    /** Lays one over all others. */
    const layOver = (layer: Layer) => {
        if (overlay === null) return;
        if (rota.hidden.size > 0) rota.go({ off: [...rota.hidden].map((index) => index + 1) });
        put([layer, ...overlay.layers]);
    };
    const colourBy = (colouredBy: Overlay['colouredBy']) => change({ colouredBy });
    return { overlay, shift, save, layOver, colourBy };
}
