import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Problem } from '@/api/client';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { CheckField, Field, FormProblem, TextField } from '@/components/Field';
import { COLOURS, MARKS } from '@/api/generated/words';
import { Mark } from '@/components/Mark';
import { calendarLabel } from '@/features/calendars/calendarLabel';
import { useCalendars, useCategories } from '@/features/calendars/useCalendars';
import { useGroups } from '@/features/directory/useGroups';
import { usePerson } from '@/features/session/useSession';
import { GoesOn } from '@/features/kept/GoesOn';
import { keptForm } from '@/features/kept/keptForms';
import { useKeeping } from '@/features/kept/useKeeping';
import { ColouredByField } from './ColouredByField';
import { LayerFields, type Layer } from './LayerFields';
import { useRota } from '@/features/sheet/RotaContext';
import { layerOf, STARTS } from './starts';
import { useLayerCounts } from './useLayerCounts';
import { useOverlayActions, type Overlay } from './useOverlays';

type Written = Pick<Overlay, 'name' | 'layers' | 'everyLayer' | 'openingView' | 'colouredBy'>;

/** Composes an overlay: which layers, in which order, of which calendars, filtered and drawn how. */
export function OverlayDialog({ overlay: current, onClose }: { overlay: Overlay | null; onClose: () => void }) {
    // What others save meanwhile refreshes the overlay; the dialog goes on from what it was opened with, so that the server
    // sees that somebody else was first.
    const [overlay, setOverlay] = useState(current);
    const rota = useRota();
    const calendars = useCalendars();
    const { save } = useOverlayActions();
    const keptAs = `overlay.${overlay?.slug ?? 'new'}`;
    const [begun] = useState<Written>({ name: overlay?.name ?? '', layers: overlay?.layers ?? [], everyLayer: overlay?.everyLayer ?? false, openingView: overlay?.openingView ?? rota.view, colouredBy: overlay?.colouredBy ?? 'layer' });
    const [resumed, setResumed] = useState(() => keptForm<Written>(keptAs)?.values ?? null);
    const [name, setName] = useState((resumed ?? begun).name);
    const [layers, setLayers] = useState((resumed ?? begun).layers);
    const [everyLayer, setEveryLayer] = useState((resumed ?? begun).everyLayer);
    const [openingView, setOpeningView] = useState((resumed ?? begun).openingView);
    const [colouredBy, setColouredBy] = useState((resumed ?? begun).colouredBy);
    const written: Written = { name, layers, everyLayer, openingView, colouredBy };
    const forget = useKeeping({ name: keptAs, label: name, values: written, touched: JSON.stringify(written) !== JSON.stringify(begun) });
    const counts = useLayerCounts(layers, everyLayer);
    const categories = useCategories();
    const groups = useGroups();
    const person = usePerson();
    const [keeper, setKeeper] = useState('');
    const [editing, setEditing] = useState<number | null>(null);
    const problem = save.error instanceof Problem ? save.error : null;
    const fieldOf = (index: number, field = '') => problem?.fields.find((each) => each.field.startsWith(`layers.${index}.${field}`))?.message;
    const people = new Map(groups.data?.filter((group) => group.people.some((each) => each.id === person.id)).flatMap((group) => group.people).map((each) => [each.id, each]));
    const own = groups.data?.filter((group) => group.people.some((each) => each.id === person.id)) ?? [];
    const [nothing, setNothing] = useState('');
    const start = ({ layers: laid, nothing: why }: (typeof STARTS)[number]) => {
        const found = laid(calendars.data ?? [], [...new Set(categories.data?.map((each) => each.name))], [...people.values()]);
        setLayers(found);
        setNothing(found.length === 0 ? why : '');
    };
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
        const free = COLOURS.find((ink) => !layers.some((each) => each.colour === ink));
        setLayers([...layers, taken ? { ...layer, colour: free ?? layer.colour, mark: MARKS[layers.length % MARKS.length] ?? layer.mark } : layer]);
    };
    const theirs = problem?.status === 412 ? (problem.current as Overlay) : null;
    const write = (from: Written) => {
        setName(from.name);
        setLayers(from.layers);
        setEveryLayer(from.everyLayer);
        setOpeningView(from.openingView);
        setColouredBy(from.colouredBy);
    };
    const take = (from: Overlay) => {
        setOverlay(from);
        write(from);
        save.reset();
    };
    const submit = (over = overlay) =>
        save.mutate(
            { overlay: over, input: { ...written, ...(overlay === null && keeper !== '' ? { keeper: { kind: 'group' as const, id: Number(keeper) } } : {}) } },
            {
                onSuccess: (saved) => {
                    forget();
                    rota.go({ overlay: saved.slug, calendar: undefined, of: undefined });
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
                {resumed !== null && (
                    <GoesOn
                        onAnew={() => {
                            write(begun);
                            setResumed(null);
                        }}
                    />
                )}
                <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} error={problem?.field('name')} autoFocus />
                <div>
                    <h3 className="mb-1.5 text-base font-semibold">Layers</h3>
                    {layers.length === 0 && (
                        <div className="mb-2 flex flex-wrap items-center gap-2">
                            <span className="text-soft">None yet. Start from</span>
                            {STARTS.map((each) => (
                                <Button key={each.name} onClick={() => start(each)}>
                                    {each.name}
                                </Button>
                            ))}
                            {nothing !== '' && (
                                <p role="status" className="w-full font-semibold">
                                    {nothing}
                                </p>
                            )}
                        </div>
                    )}
                    <ol className="border-t border-line">
                        {layers.map((layer, index) => (
                            <li key={index} className="border-b border-line py-1.5">
                                <div className="flex items-center gap-2">
                                    <Mark mark={layer.mark} ink={layer.colour} size={14} />
                                    <button type="button" className="min-h-6 min-w-0 flex-1 text-left pointer-coarse:min-h-11" aria-expanded={editing === index} onClick={() => setEditing(editing === index ? null : index)}>
                                        <b className="font-semibold">{layer.name}</b>{' '}
                                        <span className="text-soft">
                                            {told(layer)}
                                            {layer.conditions.length > 0 && (layer.conditions.length === 1 ? ', 1 condition' : `, ${layer.conditions.length} conditions`)}
                                            {counts[index]?.count != null && ` · ${counts[index].count} in half a year`}
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
                                {editing === index && <LayerFields layer={layer} count={counts[index]} calendars={calendars.data ?? []} onChange={(part) => change(index, part)} errorOf={(field) => fieldOf(index, field)} />}
                            </li>
                        ))}
                    </ol>
                    <Field label="Add a layer of" className="mt-2 max-w-72" error={problem?.field('layers')}>
                        {(control) => (
                            <select {...control} value="" onChange={(event) => add(event.target.value)}>
                                <option value="">Choose a calendar…</option>
                                {calendars.data?.map((each) => (
                                    <option key={each.slug} value={each.slug}>
                                        {calendarLabel(each, calendars.data)}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                </div>
                <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
                    <Field label="Opens in">
                        {(control) => (
                            <select {...control} value={openingView} onChange={(event) => setOpeningView(event.target.value as Overlay['openingView'])}>
                                <option value="lanes">Lanes</option>
                                <option value="week">Week</option>
                                <option value="day">Day</option>
                                <option value="month">Month</option>
                                <option value="year">Year</option>
                                <option value="list">List</option>
                                <option value="table">Table</option>
                            </select>
                        )}
                    </Field>
                    <ColouredByField value={colouredBy} onChange={setColouredBy} />
                    {overlay === null && own.length > 0 && (
                        <Field label="Kept by" error={problem?.field('keeper')}>
                            {(control) => (
                                <select {...control} value={keeper} onChange={(event) => setKeeper(event.target.value)}>
                                    <option value="">{person.name}</option>
                                    {own.map((group) => (
                                        <option key={group.id} value={group.id}>
                                            {group.name}
                                        </option>
                                    ))}
                                </select>
                            )}
                        </Field>
                    )}
                    <CheckField label="Show an event in every layer that takes it, not in the first alone" checked={everyLayer} onChange={(event) => setEveryLayer(event.target.checked)} />
                </div>
                {theirs !== null && (
                    <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Somebody else was first">
                        <FormProblem>Somebody else has changed this overlay since you opened it: it has {theirs.layers.map((each) => each.name).join(', ')} now.</FormProblem>
                        <Button onClick={() => take(theirs)}>Start from theirs</Button>
                        <Button onClick={() => submit({ ...theirs })}>Save mine over it</Button>
                    </div>
                )}
                {problem !== null && theirs === null && problem.fields.length === 0 && (
                    <FormProblem>
                        {problem.message} {problem.detail}
                    </FormProblem>
                )}
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" look="primary" disabled={save.isPending}>
                        {overlay === null ? 'Keep it' : 'Save'}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}

function told(layer: Layer): string {
    switch (layer.takes) {
        case 'all':
            return 'all on the list of whoever looks';
        case 'group':
            return 'what a group keeps';
        case 'overlay':
            return 'everything in this overlay';
        case 'rest':
            return 'everything else';
        default:
            return layer.calendars.length === 1 ? '1 calendar' : `${layer.calendars.length} calendars`;
    }
}
