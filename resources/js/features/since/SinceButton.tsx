import { Popover } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import { Button } from '@/components/Button';
import { Scrolling } from '@/components/Scrolling';
import { useLatest } from '@/components/useLatest';
import { useRota } from '@/features/sheet/RotaContext';
import { ghostKey } from '@/features/sheet/marked';
import { formatMoment, formatWhen } from '@/time/dates';
import { sinceWords } from '@/features/sheet/sinceWords';
import { useSeenAll, useSince, type SinceChange } from '@/features/sheet/useSince';

/** What changed since one looked: how much of it there is in view, what, and that one has seen it. F8 leads from one to the next. */
export function SinceButton() {
    const rota = useRota();
    const { sheet, hidden } = rota;
    const since = useSince(rota.through, rota.span, sheet !== undefined && rota.view !== 'table');
    const seen = useSeenAll();
    const [open, setOpen] = useState(false);
    const changes = (since.data?.changes ?? []).filter((change) => !hidden.has((change.is ?? change.was)?.layer ?? -1));
    const to = (change: SinceChange) => {
        setOpen(false);
        const face = faceOf(change);
        // What is folded away is opened, and so told.
        if (face === null) return change.is === null ? rota.refuse(`“${change.was?.title}” is ${sinceWords(change)}.`) : rota.go({ event: change.id, occurrence: change.occurrence ?? undefined });
        face.scrollIntoView({ block: 'center', inline: 'center' });
        face.focus({ preventScroll: true });
    };
    useStepping(changes, to);
    if (since.data === undefined || changes.length === 0) return null;
    return (
        <Popover.Root open={open} onOpenChange={setOpen}>
            <Popover.Trigger asChild>
                <Button className="border-line px-1.5" title="What is different since you looked (F8 leads from one to the next)">
                    <span aria-hidden="true" className="h-3.5 w-[3px] bg-pin" />
                    {changes.length}
                    {since.data.more && '+'}{' '}
                    <span className="max-sm:sr-only">unseen</span>
                </Button>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content align="end" sideOffset={6} collisionPadding={8} aria-label="Since you looked" className="z-40 flex max-h-[70vh] w-96 flex-col border border-ink bg-sheet p-3 text-[13px] shadow-(--shadow) max-md:w-[92vw]" onCloseAutoFocus={(event) => event.preventDefault()}>
                    <h3 className="mb-1.5 text-base font-semibold">Since {formatMoment(since.data.since)}</h3>
                    <Scrolling as="ol" aria-label="What changed" className="min-h-0 flex-1 border-t border-line">
                        {changes.map((change) => (
                            <li key={`${change.id} ${change.occurrence} ${change.was?.start}`} className="border-b border-hair">
                                <button type="button" className="flex min-h-6 w-full flex-col py-1 text-left hover:bg-wash pointer-coarse:min-h-11" onClick={() => to(change)}>
                                    <span>
                                        <b className="font-semibold">{(change.is ?? change.was)?.title}</b>, {formatWhen((change.is ?? change.was)!)}
                                    </span>
                                    <span className="text-soft">
                                        {sinceWords(change)}
                                        {change.by !== null && ` · ${change.by}`}, {formatMoment(change.at)}
                                    </span>
                                </button>
                            </li>
                        ))}
                    </Scrolling>
                    {since.data.more && <p className="mt-1.5 text-soft">There is more: what changed last is told.</p>}
                    <div className="mt-2 flex items-center gap-2">
                        <p className="flex-1 text-[11px] text-soft max-md:invisible">
                            <kbd className="border border-line px-1 font-sans">F8</kbd> leads from one to the next
                        </p>
                        <Button look="primary" disabled={seen.isPending} onClick={() => seen.mutate(undefined, { onSuccess: () => setOpen(false) })}>
                            All seen
                        </Button>
                    </div>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** Its item on the sheet, or its ghost. */
function faceOf(change: SinceChange): HTMLElement | null {
    const layer = change.is?.layer;
    const key = layer === undefined ? ghostKey(change) : `${change.id}:${change.occurrence ?? ''}:${layer}`;
    return document.querySelector<HTMLElement>(`[data-item="${key}"]`);
}

/** F8 goes on to the next of them, with Shift to the one before; after the last comes the first. */
function useStepping(changes: SinceChange[], to: (change: SinceChange) => void) {
    const latest = useLatest({ changes, to });
    const at = useRef(-1);
    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            const { changes, to } = latest.current;
            if (event.key !== 'F8' || event.defaultPrevented || changes.length === 0 || document.querySelector('[role=dialog]') !== null) return;
            event.preventDefault();
            const next = at.current < 0 ? (event.shiftKey ? changes.length - 1 : 0) : at.current + (event.shiftKey ? -1 : 1);
            at.current = (next + changes.length) % changes.length;
            const change = changes[at.current];
            if (change !== undefined) to(change);
        };
        document.addEventListener('keydown', onKey);
        return () => document.removeEventListener('keydown', onKey);
    }, [latest]);
}
