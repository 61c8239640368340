import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Problem, type Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { CheckField, Field, FormProblem, TextField } from '@/components/Field';
import { InkPicker } from '@/components/InkPicker';
import { INKS, Mark, MARKS } from '@/components/Mark';
import { useCalendars, useCategories, type Calendar } from '@/features/calendars/useCalendars';
import { useRota } from './RotaContext';
import { useOverlayActions, type Overlay } from './useOverlays';

type Layer = Schemas['OverlayLayer'];

function layerOf(calendar: Calendar): Layer {
    return { name: calendar.name, colour: calendar.colour, mark: calendar.mark, calendars: [calendar.slug], anyCategory: [] };
}

/** Composes an overlay: which layers, in which order, of which calendars, filtered and drawn how. */
export function OverlayDialog({ overlay, onClose }: { overlay: Overlay | null; onClose: () => void }) {
    const rota = useRota();
    const calendars = useCalendars();
    const { save } = useOverlayActions();
    const [name, setName] = useState(overlay?.name ?? '');
    const [layers, setLayers] = useState<Layer[]>(overlay?.layers ?? []);
    const [editing, setEditing] = useState<number | null>(null);
    const problem = save.error instanceof Problem ? save.error : null;
    const fieldOf = (index: number) => problem?.fields.find((each) => each.field.startsWith(`layers.${index}.`))?.message;
    const change = (index: number, part: Partial<Layer>) => setLayers(layers.map((layer, each) => (each === index ? { ...layer, ...part } : layer)));
    const swap = (index: number, to: number) => {
        const next = [...layers];
        const [moved] = next.splice(index, 1);
        if (moved !== undefined) next.splice(to, 0, moved);
        setEditing(null);
        setLayers(next);
    };
    const add = (slug: string) => {
        const calendar = calendars.data?.find((each) => each.slug === slug);
        if (calendar === undefined) return;
        const layer = layerOf(calendar);
        // Two layers in one ink and mark could not be told apart.
        const taken = layers.some((each) => each.colour === layer.colour && each.mark === layer.mark);
        const free = INKS.find((ink) => !layers.some((each) => each.colour === ink));
        setLayers([...layers, taken ? { ...layer, colour: free ?? layer.colour, mark: MARKS[layers.length % MARKS.length] ?? layer.mark } : layer]);
    };
    const submit = () =>
        save.mutate(
            { overlay, input: { name, layers } },
            {
                onSuccess: (saved) => {
                    rota.go({ overlay: saved.slug });
                    onClose();
                },
            },
        );
    return (
        <Dialog open onOpenChange={onClose} wide title={overlay === null ? 'Lay a new overlay' : `Layers of ${overlay.name}`} about="Each event shows once: in the first layer, from the top, that takes it.">
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    submit();
                }}
            >
                <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} error={problem?.field('name')} autoFocus />
                <div>
                    <h3 className="mb-1.5 text-base font-semibold">Layers</h3>
                    {layers.length === 0 && <p className="mb-2 text-soft">None yet. Choose the calendars to lay over each other.</p>}
                    <ol className="border-t border-line">
                        {layers.map((layer, index) => (
                            <li key={index} className="border-b border-line py-1.5">
                                <div className="flex items-center gap-2">
                                    <Mark mark={layer.mark} ink={layer.colour} size={14} />
                                    <button type="button" className="min-w-0 flex-1 text-left" aria-expanded={editing === index} onClick={() => setEditing(editing === index ? null : index)}>
                                        <b className="font-semibold">{layer.name}</b>{' '}
                                        <span className="text-soft">
                                            {layer.calendars.length === 1 ? '1 calendar' : `${layer.calendars.length} calendars`}
                                            {layer.anyCategory.length > 0 && `, ${layer.anyCategory.join(', ')}`}
                                        </span>
                                    </button>
                                    <Button look="quiet" className="px-1.5" disabled={index === 0} onClick={() => swap(index, index - 1)} aria-label={`Move ${layer.name} up`}>
                                        <ArrowUp size={15} />
                                    </Button>
                                    <Button look="quiet" className="px-1.5" disabled={index === layers.length - 1} onClick={() => swap(index, index + 1)} aria-label={`Move ${layer.name} down`}>
                                        <ArrowDown size={15} />
                                    </Button>
                                    <Button look="quiet" className="px-1.5" onClick={() => setLayers(layers.filter((_, each) => each !== index))} aria-label={`Take ${layer.name} out`}>
                                        <Trash2 size={15} />
                                    </Button>
                                </div>
                                {fieldOf(index) !== undefined && <FormProblem>{fieldOf(index)}</FormProblem>}
                                {editing === index && <LayerFields layer={layer} calendars={calendars.data ?? []} onChange={(part) => change(index, part)} />}
                            </li>
                        ))}
                    </ol>
                    <Field label="Add a layer of" className="mt-2 max-w-72" error={problem?.field('layers')}>
                        {(control) => (
                            <select {...control} value="" onChange={(event) => add(event.target.value)}>
                                <option value="">Choose a calendar…</option>
                                {calendars.data?.map((each) => (
                                    <option key={each.slug} value={each.slug}>
                                        {each.name}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                </div>
                {problem !== null && problem.fields.length === 0 && (
                    <FormProblem>
                        {problem.message} {problem.detail}
                    </FormProblem>
                )}
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>Leave it</Button>
                    <Button type="submit" look="primary" disabled={save.isPending}>
                        {overlay === null ? 'Keep it' : 'Save'}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}

function LayerFields({ layer, calendars, onChange }: { layer: Layer; calendars: Calendar[]; onChange: (part: Partial<Layer>) => void }) {
    const categories = useCategories();
    const names = [...new Set([...(categories.data ?? []).map((each) => each.name), ...layer.anyCategory])];
    const flip = (list: string[], value: string) => (list.includes(value) ? list.filter((each) => each !== value) : [...list, value]);
    return (
        <div className="mt-2 grid gap-4 bg-wash p-3 sm:grid-cols-2">
            <div className="flex flex-col gap-3">
                <TextField label="Name of the layer" value={layer.name} onChange={(event) => onChange({ name: event.target.value })} />
                <InkPicker ink={layer.colour} mark={layer.mark} onChange={(colour, mark) => onChange({ colour, mark })} />
                <fieldset>
                    <legend className="mb-1 text-xs text-soft">Only events of any of these categories (none chosen: every event)</legend>
                    <div className="flex flex-wrap gap-1.5">
                        {names.map((name) => (
                            <button
                                key={name}
                                type="button"
                                aria-pressed={layer.anyCategory.includes(name)}
                                onClick={() => onChange({ anyCategory: flip(layer.anyCategory, name) })}
                                className="rounded-sm border border-line bg-sheet px-1.5 py-0.5 aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
                            >
                                {name}
                            </button>
                        ))}
                    </div>
                </fieldset>
            </div>
            <fieldset className="max-h-60 overflow-y-auto">
                <legend className="mb-1 text-xs text-soft">Calendars in this layer</legend>
                {calendars.map((each) => (
                    <CheckField key={each.slug} label={each.name} checked={layer.calendars.includes(each.slug)} onChange={() => onChange({ calendars: flip(layer.calendars, each.slug) })} />
                ))}
            </fieldset>
        </div>
    );
}
