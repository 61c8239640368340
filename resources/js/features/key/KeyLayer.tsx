import clsx from 'clsx';
import { EyeOff, Pencil } from 'lucide-react';
import { memo, useState, type DragEvent, type KeyboardEvent } from 'react';
import type { Schemas } from '@/api/client';
import { Mark } from '@/components/Mark';
import { formatMoment } from '@/time/dates';
import type { Layer } from '@/features/overlays/LayerFields';
import { lazily } from '@/components/lazily';

const KeyLayerEdit = lazily(() => import('./KeyLayerEdit'), 'KeyLayerEdit');

export type LayerDoing = {
    toggle: (index: number) => void;
    only: (index: number) => void;
    shift: (from: number, to: number) => void;
    /** The same by keys: the focus goes along. */
    shiftByKey: (from: number, to: number) => void;
    save: (index: number, part: Partial<Layer>) => void;
};

type Props = {
    layer: Schemas['SheetLayer'];
    index: number;
    last: number;
    count: number;
    off: boolean;
    /** Whether it alone is shown. */
    only: boolean;
    /** What it is in its overlay, if anything yet; null where one may not change it. */
    change: Layer | undefined | null;
    doing: LayerDoing;
};

const KIND = 'application/x-layer';

/** A layer in the key: shown or hidden by a click, taken to another place by dragging it or with Alt and an arrow. */
export const KeyLayer = memo(function KeyLayer({ layer, index, last, count, off, only, change, doing }: Props) {
    const [over, setOver] = useState(false);
    const onKeyDown = (event: KeyboardEvent) => {
        if (!event.altKey || change === null || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
        event.preventDefault();
        doing.shiftByKey(index, index + (event.key === 'ArrowUp' ? -1 : 1));
    };
    const dragging =
        change === null
            ? {}
            : {
                  draggable: true,
                  onDragStart: (event: DragEvent) => event.dataTransfer.setData(KIND, String(index)),
                  onDragOver: (event: DragEvent) => {
                      if (!event.dataTransfer.types.includes(KIND)) return;
                      event.preventDefault();
                      setOver(true);
                  },
                  onDragLeave: () => setOver(false),
                  onDrop: (event: DragEvent) => {
                      event.preventDefault();
                      setOver(false);
                      doing.shift(Number(event.dataTransfer.getData(KIND)), index);
                  },
              };
    return (
        <li className={clsx('relative border-b', over ? 'border-b-2 border-ink' : 'border-hair')} {...dragging}>
            <button
                type="button"
                data-layer={layer.name}
                aria-pressed={!off}
                aria-label={`${layer.name}, ${count} in view${layer.about === '' ? '' : `, ${layer.about}`}${layer.failingSince === null ? '' : `, not fetched since ${formatMoment(layer.failingSince)}`}`}
                aria-keyshortcuts={change === null ? undefined : 'Alt+ArrowUp Alt+ArrowDown'}
                title={off ? 'Show this layer' : 'Hide this layer'}
                onClick={() => doing.toggle(index)}
                onKeyDown={onKeyDown}
                className="key-layer"
            >
                <span className={clsx('grid w-4.5 shrink-0 place-items-center', off && 'opacity-45')}>
                    <Mark mark={layer.mark} ink={layer.colour} size={13} />
                </span>
                {layer.pattern !== 'plain' && <span aria-hidden="true" data-ink={layer.colour} data-pattern={layer.pattern} className="patterned h-3.5 w-3.5 shrink-0 border border-line" />}
                <span className={clsx('min-w-0 flex-1', off && 'text-soft line-through decoration-1')}>
                    {layer.name}
                    {layer.about !== '' && <span className="block truncate text-[11px] text-soft">{layer.about}</span>}
                    {layer.failingSince !== null && <span className="block text-[11px] text-pin-ink">not fetched since {formatMoment(layer.failingSince)}</span>}
                </span>
                <span className="text-soft">{off ? <EyeOff size={13} aria-hidden="true" /> : count}</span>
            </button>
            <span className="key-tools">
                <button type="button" onClick={() => doing.only(index)} aria-pressed={only} aria-label={`only this: ${layer.name}`} title={only ? 'Show the others again' : 'Show only this layer'} className="hit">
                    only
                </button>
                {change != null && (
                    <KeyLayerEdit layer={change} index={index} last={last} onShift={(to) => doing.shift(index, to)} onSave={(part) => doing.save(index, part)}>
                        <button type="button" aria-label={`Change ${layer.name} here`} className="hit">
                            <Pencil size={12} />
                        </button>
                    </KeyLayerEdit>
                )}
            </span>
        </li>
    );
});
