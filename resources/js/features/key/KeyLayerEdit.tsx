import { ArrowDown, ArrowUp } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { Button } from '@/components/Button';
import { TextField } from '@/components/Field';
import { InkPicker } from '@/components/InkPicker';
import type { Layer } from '@/features/overlays/LayerFields';

type Props = { layer: Layer; index: number; last: number; onShift: (to: number) => void; onSave: (part: Partial<Layer>) => void; children: ReactNode };

/** Changes how a layer is called and drawn, and its place, without leaving the sheet. */
export function KeyLayerEdit({ layer, index, last, onShift, onSave, children }: Props) {
    const [open, setOpen] = useState(false);
    const [name, setName] = useState(layer.name);
    const opens = (is: boolean) => {
        if (is) setName(layer.name);
        setOpen(is);
    };
    return (
        <Popover.Root open={open} onOpenChange={opens}>
            <Popover.Trigger asChild>{children}</Popover.Trigger>
            <Popover.Portal>
                <Popover.Content side="left" align="start" sideOffset={8} aria-label={`Change ${layer.name}`} className="z-40 w-64 border border-ink bg-sheet p-3 text-[13px] shadow-(--shadow) max-md:w-[88vw]">
                    <form
                        className="flex flex-col gap-3"
                        onSubmit={(event) => {
                            event.preventDefault();
                            if (name.trim() !== '' && name.trim() !== layer.name) onSave({ name: name.trim() });
                            setOpen(false);
                        }}
                    >
                        <TextField label="Name of the layer" value={name} maxLength={120} error={name.trim() === '' ? 'Give the layer a name.' : undefined} onChange={(event) => setName(event.target.value)} />
                        <InkPicker ink={layer.colour} mark={layer.mark} onChange={(colour, mark) => onSave({ colour, mark })} pattern={layer.pattern} onPattern={(pattern) => onSave({ pattern })} />
                        <div className="flex gap-1.5">
                            <Button disabled={index === 0} onClick={() => onShift(index - 1)} aria-label="Take it up">
                                <ArrowUp size={14} />
                            </Button>
                            <Button disabled={index === last} onClick={() => onShift(index + 1)} aria-label="Take it down">
                                <ArrowDown size={14} />
                            </Button>
                            <Button type="submit" look="primary" className="ml-auto">
                                Done
                            </Button>
                        </div>
                    </form>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
