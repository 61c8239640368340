import { Highlighter } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { COLOURS } from '@/api/generated/words';
import { Button } from '@/components/Button';
import { Field } from '@/components/Field';
import { InkPicker } from '@/components/InkPicker';
import type { Layer } from '@/features/overlays/LayerFields';
import { countWords, useLayerCounts } from '@/features/overlays/useLayerCounts';
import type { Overlay } from '@/features/overlays/useOverlays';

type Props = { overlay: Overlay; /** Lays it over all others. */ onLay: (layer: Layer) => void };

/** Lays a layer of what says some words over the overlay, in a colour of its own. */
export function ColourWhatSays({ overlay, onLay }: Props) {
    const [open, setOpen] = useState(false);
    return (
        <Popover.Root open={open} onOpenChange={setOpen}>
            <Popover.Trigger asChild>
                <button type="button" className="hit mt-2 flex items-center gap-1.5 text-soft hover:text-ink hover:underline">
                    <Highlighter size={13} aria-hidden="true" /> Colour what says…
                </button>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content side="left" align="start" sideOffset={8} collisionPadding={8} aria-label="Colour what says" className="z-40 w-72 border border-ink bg-sheet p-3 text-[13px] shadow-(--shadow) max-md:w-[88vw]">
                    <WordsForm
                        overlay={overlay}
                        onLay={(layer) => {
                            onLay(layer);
                            setOpen(false);
                        }}
                        onCancel={() => setOpen(false)}
                    />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

function WordsForm({ overlay, onLay, onCancel }: Props & { onCancel: () => void }) {
    const [words, setWords] = useState('');
    const [drawn, setDrawn] = useState<Pick<Layer, 'colour' | 'mark'>>(() => ({ colour: COLOURS.find((each) => !overlay.layers.some((layer) => layer.colour === each)) ?? 'rose', mark: 'star' }));
    const layer = layerSaying(words, drawn);
    const [count] = useLayerCounts(layer === null ? [] : [layer, ...overlay.layers], overlay.everyLayer);
    const [asked, setAsked] = useState(false);
    return (
        <form
            className="flex flex-col gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                if (layer === null) return setAsked(true);
                onLay(layer);
            }}
        >
            <Field label="What says one of these, in title, place or description" hint="One a line, or between commas" error={asked && layer === null ? 'Write at least one word.' : undefined}>
                {(control) => <textarea {...control} rows={3} value={words} onChange={(event) => setWords(event.target.value)} autoFocus />}
            </Field>
            <InkPicker ink={drawn.colour} mark={drawn.mark} onChange={(colour, mark) => setDrawn({ colour, mark })} />
            <p className="min-h-[2lh] text-soft" aria-live="polite">
                {layer !== null && count !== undefined && countWords(count)}
            </p>
            <div className="flex justify-end gap-1.5">
                <Button onClick={onCancel}>Cancel</Button>
                <Button type="submit" look="primary">
                    Lay it on top
                </Button>
            </div>
        </form>
    );
}

/** Called as its first words; null where nothing is written. */
function layerSaying(text: string, drawn: Pick<Layer, 'colour' | 'mark'>): Layer | null {
    const words = text.split(/[,\n]/).map((each) => each.trim()).filter((each) => each !== '');
    const name = words.join(', ');
    return words.length === 0 ? null : { ...drawn, name: name.length > 60 ? `${name.slice(0, 59)}…` : name, pattern: 'plain', takes: 'overlay', group: null, calendars: [], conditions: [{ about: 'words', words, not: false }] };
}
