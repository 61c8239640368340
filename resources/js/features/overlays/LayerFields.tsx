import { CheckField, Field, TextField } from '@/components/Field';
import type { Schemas } from '@/api/client';
import { InkPicker } from '@/components/InkPicker';
import type { Calendar } from '@/features/calendars/useCalendars';
import { useGroups } from '@/features/directory/useGroups';
import { ConditionFields } from './ConditionFields';
import { countWords, type LayerCount } from './useLayerCounts';

export type Layer = Schemas['OverlayLayer'];

const TAKES: Record<Layer['takes'], string> = {
    chosen: 'these calendars',
    all: 'every calendar on the list of whoever looks',
    group: 'what a group keeps',
    overlay: 'everything that is in this overlay',
    rest: 'everything else: what no other layer takes',
};

type Props = { layer: Layer; /** What it takes as it is now, once that is known. */ count: LayerCount | undefined; calendars: Calendar[]; onChange: (part: Partial<Layer>) => void; errorOf: (field: string) => string | undefined };

/** One layer: what it is called, how it is drawn, of which calendars it is, and what it asks of events. */
export function LayerFields({ layer, count, calendars, onChange, errorOf }: Props) {
    const groups = useGroups();
    const flip = (slug: string) => onChange({ calendars: layer.calendars.includes(slug) ? layer.calendars.filter((each) => each !== slug) : [...layer.calendars, slug] });
    return (
        <div className="mt-2 grid gap-4 bg-wash p-3 sm:grid-cols-2">
            <div className="flex flex-col gap-3">
                <TextField label="Name of the layer" value={layer.name} error={errorOf('name')} onChange={(event) => onChange({ name: event.target.value })} />
                <InkPicker ink={layer.colour} mark={layer.mark} onChange={(colour, mark) => onChange({ colour, mark })} pattern={layer.pattern} onPattern={(pattern) => onChange({ pattern })} />
                <ConditionFields conditions={layer.conditions} onChange={(conditions) => onChange({ conditions })} errorOf={(index) => errorOf(`conditions.${index}`)} />
                <p className="text-soft" aria-live="polite">
                    {count !== undefined && countWords(count)}
                </p>
            </div>
            <div>
                <Field label="Of" error={errorOf('calendars') ?? errorOf('takes')}>
                    {(control) => (
                        <select {...control} value={layer.takes} onChange={(event) => onChange({ takes: event.target.value as Layer['takes'] })}>
                            {Object.entries(TAKES).map(([takes, name]) => (
                                <option key={takes} value={takes}>
                                    {name}
                                </option>
                            ))}
                        </select>
                    )}
                </Field>
                {layer.takes === 'group' && (
                    <Field label="Group" className="mt-2" error={errorOf('group')}>
                        {(control) => (
                            <select {...control} value={layer.group ?? ''} onChange={(event) => onChange({ group: event.target.value === '' ? null : Number(event.target.value) })}>
                                <option value="">Choose a group…</option>
                                {groups.data?.map((group) => (
                                    <option key={group.id} value={group.id}>
                                        {group.name}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                )}
                {layer.takes === 'chosen' && (
                    <fieldset className="mt-2 max-h-60 overflow-y-auto">
                        <legend className="mb-1 text-xs text-soft">Calendars in this layer</legend>
                        {calendars.map((each) => (
                            <CheckField key={each.slug} label={each.name} checked={layer.calendars.includes(each.slug)} onChange={() => flip(each.slug)} />
                        ))}
                    </fieldset>
                )}
                {(layer.hidden ?? 0) > 0 && <p className="mt-2 border-l-[3px] border-line pl-2 text-soft">{layer.hidden === 1 ? 'One calendar of it is' : `${layer.hidden} calendars of it are`} not shared with you: it stays in the layer, and you do not see it.</p>}
            </div>
        </div>
    );
}
