import clsx from 'clsx';
import { Eye, EyeOff, X } from 'lucide-react';
import { Mark } from '@/components/Mark';
import { useCategories } from '@/features/calendars/useCalendars';
import { FindField } from './FindField';
import { useRota } from './RotaContext';

/** The key of the sheet, as on a map: its layers with mark, colour and count, then categories to filter by. */
export function Key({ open, onClose }: { open: boolean; onClose: () => void }) {
    const rota = useRota();
    const layers = rota.sheet?.layers ?? [];
    const counts = layers.map((_, index) => rota.sheet?.items.filter((item) => item.layer === index).length ?? 0);
    const shown = counts.reduce((sum, count, index) => (rota.hidden.has(index) ? sum : sum + count), 0);
    const chosen = rota.search.categories ?? [];
    const inks = new Map(useCategories().data?.map((each) => [each.name, each.colour]));
    const set = rota.go;
    const setOff = (off: number[]) => set({ off: off.length === 0 ? undefined : off });
    const toggle = (index: number) => setOff(rota.hidden.has(index) ? [...rota.hidden].filter((each) => each !== index) : [...rota.hidden, index]);
    const only = (index: number) => setOff(layers.map((_, each) => each).filter((each) => each !== index));
    const toggleCategory = (name: string) => {
        const next = chosen.includes(name) ? chosen.filter((each) => each !== name) : [...chosen, name];
        set({ categories: next.length === 0 ? undefined : next });
    };
    // A category that is chosen stays in the list when nothing in view has it, so that it can be let go.
    const categories = [...(rota.sheet?.categories ?? []), ...chosen.filter((name) => !rota.sheet?.categories.some((each) => each.name === name)).map((name) => ({ name, count: 0 }))];
    return (
        <aside
            aria-label="Key"
            className={clsx(
                'w-58 shrink-0 overflow-y-auto border-l border-line bg-paper px-3.5 py-3 text-[12.5px]',
                open ? 'max-md:fixed max-md:inset-x-0 max-md:bottom-13 max-md:z-30 max-md:max-h-[65vh] max-md:w-auto max-md:border-t-2 max-md:border-ink max-md:shadow-(--shadow)' : 'max-md:hidden',
            )}
        >
            <div className="mb-2 flex items-baseline justify-between">
                <h2 className="text-[15px] font-semibold">Key</h2>
                <span className="text-[11px] text-soft">{shown} in view</span>
                <button type="button" className="md:hidden" onClick={onClose} aria-label="Close the key">
                    <X size={16} />
                </button>
            </div>
            <FindField className="mb-2 md:hidden" onDone={onClose} />
            <ul>
                {layers.map((layer, index) => {
                    const off = rota.hidden.has(index);
                    return (
                        <li key={`${index}:${layer.name}`} className="group relative border-b border-hair">
                            <button
                                type="button"
                                aria-pressed={!off}
                                aria-label={`${layer.name}, ${counts[index]} in view`}
                                title={off ? 'Show this layer' : 'Hide this layer'}
                                onClick={() => toggle(index)}
                                className="flex w-full items-center gap-2 py-1.5 text-left"
                            >
                                <span className={clsx('grid w-4.5 shrink-0 place-items-center', off && 'opacity-45')}>
                                    <Mark mark={layer.mark} ink={layer.colour} size={13} />
                                </span>
                                <span className={clsx('min-w-0 flex-1', off && 'text-soft line-through decoration-1')}>
                                    {layer.name}
                                    {layer.about !== '' && <span className="block truncate text-[11px] text-soft">{layer.about}</span>}
                                </span>
                                <span className="text-soft">{off ? <EyeOff size={13} aria-hidden="true" /> : counts[index]}</span>
                            </button>
                            <button
                                type="button"
                                onClick={() => only(index)}
                                className="absolute top-1 right-5 border border-line bg-sheet px-1.5 py-0.5 text-[11px] opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 focus:opacity-100"
                            >
                                only this
                            </button>
                        </li>
                    );
                })}
            </ul>
            {rota.hidden.size > 0 && (
                <button type="button" className="mt-2 flex items-center gap-1.5 text-soft hover:text-ink hover:underline" onClick={() => setOff([])}>
                    <Eye size={13} aria-hidden="true" /> Show all layers
                </button>
            )}
            <h2 className="mt-4.5 mb-2 text-[15px] font-semibold">Categories</h2>
            {categories.length === 0 ? (
                <p className="text-soft">No event in view has one.</p>
            ) : (
                <div className="flex flex-wrap gap-1.5">
                    {categories.map(({ name, count }) => (
                        <button
                            key={name}
                            type="button"
                            aria-pressed={chosen.includes(name)}
                            title={`${count} in view`}
                            onClick={() => toggleCategory(name)}
                            className="rounded-sm border border-line bg-sheet px-1.5 py-0.5 hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
                        >
                            {inks.get(name) != null && <span data-ink={inks.get(name)} aria-hidden="true" className="mr-1 inline-block size-2.5 rounded-full bg-(--k)" />}
                            {name}
                        </button>
                    ))}
                </div>
            )}
            {shown === 0 && layers.length > 0 && (chosen.length > 0 || rota.hidden.size > 0) && (
                <p role="status" className="mt-4 border-l-[3px] border-pin pl-2">
                    <b className="block">Nothing shows</b>
                    {chosen.length > 0 ? `because only ${chosen.join(', ')} is asked for.` : 'because every layer with events is hidden.'}
                    <button type="button" className="mt-1 block underline" onClick={() => set({ categories: undefined, off: undefined })}>
                        Show everything
                    </button>
                </p>
            )}
        </aside>
    );
}
