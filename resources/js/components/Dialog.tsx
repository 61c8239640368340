import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import { useRef, type ReactNode } from 'react';

type Props = { open: boolean; onOpenChange: (open: boolean) => void; title: string; about?: ReactNode; wide?: boolean; /** Whether what is beneath is not to be seen. */ covering?: boolean; children: ReactNode };

/** The second press of a double click comes so many milliseconds after the first at most: it is not meant for what the first has opened. */
const DOUBLE_CLICK = 500;

export function Dialog({ open, onOpenChange, title, about, wide = false, covering = false, children }: Props) {
    const openedAt = useRef(0);
    return (
        <Radix.Root open={open} onOpenChange={onOpenChange}>
            <Radix.Portal>
                <Radix.Overlay className={`fixed inset-0 z-40 ${covering ? 'bg-wash' : 'bg-[#0b1a27]/45'}`} />
                <Radix.Content
                    className={`fixed top-[7vh] left-1/2 z-50 max-h-[86vh] w-[calc(100vw-24px)] -translate-x-1/2 overflow-y-auto border-2 border-ink bg-paper p-5 shadow-(--shadow) ${wide ? 'max-w-3xl' : 'max-w-md'}`}
                    onOpenAutoFocus={() => {
                        openedAt.current = performance.now();
                    }}
                    onPointerDownOutside={(event) => {
                        if (performance.now() - openedAt.current < DOUBLE_CLICK) event.preventDefault();
                    }}
                    {...(about === undefined ? { 'aria-describedby': undefined } : {})}
                >
                    <div className="mb-4 flex items-start gap-3">
                        <div className="min-w-0 flex-1">
                            <Radix.Title className="text-xl font-semibold">{title}</Radix.Title>
                            {about !== undefined && <Radix.Description className="mt-1 text-soft">{about}</Radix.Description>}
                        </div>
                        <Radix.Close className="grid size-7 place-items-center rounded-sm text-soft hover:bg-wash hover:text-ink pointer-coarse:size-11" aria-label="Close">
                            <X size={18} />
                        </Radix.Close>
                    </div>
                    {children}
                </Radix.Content>
            </Radix.Portal>
        </Radix.Root>
    );
}
