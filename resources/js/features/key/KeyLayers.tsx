import { Eye } from 'lucide-react';
import { memo, useEffect, useRef, useState } from 'react';
import { useSteady } from '@/components/useSteady';
import type { Overlay } from '@/features/overlays/useOverlays';
import type { Sheet } from '@/features/sheet/useSheet';
import { KeyLayer, type LayerDoing } from './KeyLayer';

type Props = {
    layers: Sheet['layers'];
    counts: readonly number[];
    hidden: ReadonlySet<number>;
    /** Whose layers are changed here; null where one may not. */
    overlay: Overlay | null;
    doing: Pick<LayerDoing, 'shift' | 'save'> & { setOff: (off: number[]) => void };
};

/** The layers of the key. Apart from the rest, as there may be many, and they are the same from window to window. */
export const KeyLayers = memo(function KeyLayers({ layers, counts, hidden, overlay, doing }: Props) {
    const list = useRef<HTMLUListElement>(null);
    // Whoever moves a layer by keys goes with it.
    const moved = useRef<string | null>(null);
    const order = layers.map((layer) => layer.name).join('\n');
    useEffect(() => {
        if (moved.current === null) return;
        [...(list.current?.querySelectorAll<HTMLElement>('[data-layer]') ?? [])].find((each) => each.dataset.layer === moved.current)?.focus();
        moved.current = null;
    }, [order]);
    // Pressed once more, “only” brings back what was shown before.
    const [before, setBefore] = useState<number[]>([]);
    const isOnly = (index: number) => layers.length > 1 && !hidden.has(index) && hidden.size === layers.length - 1;
    const layerDoing = useSteady<LayerDoing>({
        toggle: (index: number) => doing.setOff(hidden.has(index) ? [...hidden].filter((each) => each !== index) : [...hidden, index]),
        only: (index: number) => {
            if (isOnly(index)) return doing.setOff(before);
            if (hidden.size < layers.length - 1) setBefore([...hidden]);
            doing.setOff(layers.map((_, each) => each).filter((each) => each !== index));
        },
        shift: doing.shift,
        save: doing.save,
        shiftByKey: (from: number, to: number) => {
            moved.current = layers[from]?.name ?? null;
            doing.shift(from, to);
        },
    });
    return (
        <>
            <ul aria-label="Layers" ref={list}>
                {layers.map((layer, index) => (
                    <KeyLayer
                        key={`${layer.name}:${layers.slice(0, index).filter((each) => each.name === layer.name).length}`}
                        layer={layer}
                        index={index}
                        last={layers.length - 1}
                        count={counts[index] ?? 0}
                        off={hidden.has(index)}
                        only={isOnly(index)}
                        change={overlay === null ? null : (overlay.layers[index] ?? undefined)}
                        doing={layerDoing}
                    />
                ))}
            </ul>
            {hidden.size > 0 && (
                <button type="button" className="hit mt-2 flex items-center gap-1.5 text-soft hover:text-ink hover:underline" onClick={() => doing.setOff([])}>
                    <Eye size={13} aria-hidden="true" /> Show all layers
                </button>
            )}
        </>
    );
});
