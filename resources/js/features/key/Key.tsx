import { X } from 'lucide-react';
import { useDeferredValue, useMemo } from 'react';
import { KeyLayers } from './KeyLayers';
import { useLayerOrder } from './useLayerOrder';
import { useSteady } from '@/components/useSteady';
import { useRota } from '@/features/sheet/RotaContext';
import type { Sheet } from '@/features/sheet/useSheet';
import { lazily } from '@/components/lazily';

const ColourWhatSays = lazily(() => import('./ColourWhatSays'), 'ColourWhatSays');
const KeyColours = lazily(() => import('./KeyColours'), 'KeyColours');
const NothingShows = lazily(() => import('./NothingShows'), 'NothingShows');
const QuickFilters = lazily(() => import('./QuickFilters'), 'QuickFilters');

/** The key of the sheet, as on a map: its layers with mark, colour and count, then what is filtered by on top of them. */
export function Key({ open, onClose }: { open: boolean; onClose: () => void }) {
    const { hidden, go, sheet: drawn } = useRota();
    // The sheet is looked at first: the key counts right after it.
    const sheet = useDeferredValue(drawn);
    const { overlay, shift, save, layOver, colourBy } = useLayerOrder();
    const doing = useSteady({ shift, save, setOff: (off: number[]) => go({ off: off.length === 0 ? undefined : off }) });
    const counts = useMemo(() => countsOf(sheet), [sheet]);
    const shown = counts.reduce((sum, count, index) => (hidden.has(index) ? sum : sum + count), 0);
    return (
        <aside aria-label="Key" className="key" data-open={open || undefined}>
            <div className="mb-2 flex items-baseline justify-between">
                <h2 className="text-[15px] font-semibold">Key</h2>
                <span className="text-[11px] text-soft" role="status">
                    {shown} in view
                </span>
                <button type="button" className="hit justify-center md:hidden" onClick={onClose} aria-label="Close the key">
                    <X size={16} />
                </button>
            </div>
            <KeyLayers layers={sheet?.layers ?? NONE} counts={counts} hidden={hidden} overlay={overlay} doing={doing} />
            {overlay !== null && <ColourWhatSays overlay={overlay} onLay={layOver} />}
            {(overlay !== null || (sheet?.colours.length ?? 0) > 0) && <KeyColours colours={sheet?.colours ?? []} by={overlay?.colouredBy} onChange={colourBy} />}
            <QuickFilters />
            {shown === 0 && sheet !== undefined && sheet.layers.length > 0 && <NothingShows held={counts.some((count) => count > 0)} />}
        </aside>
    );
}

const NONE: Sheet['layers'] = [];

/** How many items each layer has. */
function countsOf(sheet: Sheet | undefined): number[] {
    const counts = sheet?.layers.map(() => 0) ?? [];
    for (const { layer } of sheet?.items ?? []) counts[layer] = (counts[layer] ?? 0) + 1;
    return counts;
}
