import { Eye, X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { KeyLayer } from './KeyLayer';
import { useLayerOrder } from './useLayerOrder';
import { useRota } from '@/features/sheet/RotaContext';
import { lazily } from '@/components/lazily';

const ColourWhatSays = lazily(() => import('./ColourWhatSays'), 'ColourWhatSays');
const KeyColours = lazily(() => import('./KeyColours'), 'KeyColours');
const NothingShows = lazily(() => import('./NothingShows'), 'NothingShows');
const QuickFilters = lazily(() => import('./QuickFilters'), 'QuickFilters');

/** The key of the sheet, as on a map: its layers with mark, colour and count, then what is filtered by on top of them. */
export function Key({ open, onClose }: { open: boolean; onClose: () => void }) {
    const rota = useRota();
    const { overlay, save, shift, layOver, colourBy } = useLayerOrder();
    const list = useRef<HTMLUListElement>(null);
    // Whoever moves a layer by keys goes with it.
    const moved = useRef<string | null>(null);
    const order = rota.sheet?.layers.map((layer) => layer.name).join('\n');
    useEffect(() => {
        if (moved.current === null) return;
        [...(list.current?.querySelectorAll<HTMLElement>('[data-layer]') ?? [])].find((each) => each.dataset.layer === moved.current)?.focus();
        moved.current = null;
    }, [order]);
    const shiftByKey = (from: number, to: number) => {
        moved.current = layers[from]?.name ?? null;
        shift(from, to);
    };
    const layers = rota.sheet?.layers ?? [];
    const counts = layers.map((_, index) => rota.sheet?.items.filter((item) => item.layer === index).length ?? 0);
    const shown = counts.reduce((sum, count, index) => (rota.hidden.has(index) ? sum : sum + count), 0);
    const setOff = (off: number[]) => rota.go({ off: off.length === 0 ? undefined : off });
    // Pressed once more, “only” brings back what was shown before.
    const [before, setBefore] = useState<number[]>([]);
    const isOnly = (index: number) => layers.length > 1 && !rota.hidden.has(index) && rota.hidden.size === layers.length - 1;
    const only = (index: number) => {
        if (isOnly(index)) return setOff(before);
        if (rota.hidden.size < layers.length - 1) setBefore([...rota.hidden]);
        setOff(layers.map((_, each) => each).filter((each) => each !== index));
    };
    return (
        <aside
            aria-label="Key"
            className="key"
            data-open={open || undefined}
        >
            <div className="mb-2 flex items-baseline justify-between">
                <h2 className="text-[15px] font-semibold">Key</h2>
                <span className="text-[11px] text-soft" role="status">
                    {shown} in view
                </span>
                <button type="button" className="hit justify-center md:hidden" onClick={onClose} aria-label="Close the key">
                    <X size={16} />
                </button>
            </div>
            <ul aria-label="Layers" ref={list}>
                {layers.map((layer, index) => (
                    <KeyLayer
                        key={`${layer.name}:${layers.slice(0, index).filter((each) => each.name === layer.name).length}`}
                        layer={layer}
                        index={index}
                        count={counts[index] ?? 0}
                        off={rota.hidden.has(index)}
                        onToggle={() => setOff(rota.hidden.has(index) ? [...rota.hidden].filter((each) => each !== index) : [...rota.hidden, index])}
                        only={isOnly(index)}
                        onOnly={() => only(index)}
                        change={overlay === null ? null : { layer: overlay.layers[index], last: layers.length - 1, shift, shiftByKey, save }}
                    />
                ))}
            </ul>
            {rota.hidden.size > 0 && (
                <button type="button" className="hit mt-2 flex items-center gap-1.5 text-soft hover:text-ink hover:underline" onClick={() => setOff([])}>
                    <Eye size={13} aria-hidden="true" /> Show all layers
                </button>
            )}
            {overlay !== null && <ColourWhatSays overlay={overlay} onLay={layOver} />}
            {(overlay !== null || (rota.sheet?.colours.length ?? 0) > 0) && <KeyColours colours={rota.sheet?.colours ?? []} by={overlay?.colouredBy} onChange={colourBy} />}
            <QuickFilters />
            {shown === 0 && layers.length > 0 && rota.sheet !== undefined && <NothingShows held={counts.some((count) => count > 0)} />}
        </aside>
    );
}
