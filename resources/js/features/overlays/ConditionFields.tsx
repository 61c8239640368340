import { STATUSES } from '@/api/generated/words';
import { Plus, X } from 'lucide-react';
import type { Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { CONTROL } from '@/components/Field';
import { SubjectPicker } from '@/features/directory/SubjectPicker';
import { useCategories } from '@/features/calendars/useCalendars';

export type Condition = Schemas['Condition'];
type Who = Schemas['Who'];

const KINDS: { about: Condition['about']; name: string; fresh: Omit<Condition, 'about'> }[] = [
    { about: 'category', name: 'has categories', fresh: { match: 'any', names: [] } },
    { about: 'words', name: 'says', fresh: { words: [] } },
    { about: 'people', name: 'concerns', fresh: { part: 'taking part', who: [{ kind: 'me' }] } },
    { about: 'status', name: 'is', fresh: { statuses: ['provisional'] } },
    { about: 'all day', name: 'lasts', fresh: { is: true } },
    { about: 'busy', name: 'leaves the time', fresh: { is: true } },
];

type Props = { conditions: Condition[]; onChange: (conditions: Condition[]) => void; errorOf: (index: number) => string | undefined; /** What is not asked here. */ without?: readonly Condition['about'][] };

/** What a layer asks of events: each condition picked, never written; all of them must hold. */
export function ConditionFields({ conditions, onChange, errorOf, without = [] }: Props) {
    const set = (index: number, part: Partial<Condition>) => onChange(conditions.map((each, at) => (at === index ? { ...each, ...part } : each)));
    return (
        <fieldset>
            <legend className="mb-1 text-xs text-soft">Takes {conditions.length === 0 ? 'every event' : 'an event of which all of this holds'}</legend>
            <ul className="flex flex-col gap-2">
                {conditions.map((condition, index) => (
                    <li key={index} aria-label={`Condition ${index + 1}`} className="border border-line bg-sheet p-2">
                        <div className="flex items-center gap-2">
                            <select aria-label="What it asks" className={`${CONTROL} w-auto!`} value={condition.about} onChange={(event) => onChange(conditions.map((each, at) => (at === index ? { not: each.not ?? false, ...change(event.target.value as Condition['about']) } : each)))}>
                                {KINDS.filter(({ about }) => !without.includes(about)).map(({ about, name }) => (
                                    <option key={about} value={about}>
                                        {name}
                                    </option>
                                ))}
                            </select>
                            <label className="flex items-center gap-1.5">
                                <input type="checkbox" className="size-4 accent-(--ink)" checked={condition.not ?? false} onChange={(event) => set(index, { not: event.target.checked })} />
                                not
                            </label>
                            <Button look="quiet" className="ml-auto px-1.5" onClick={() => onChange(conditions.filter((_, at) => at !== index))} aria-label={`Take condition ${index + 1} out`}>
                                <X size={15} />
                            </Button>
                        </div>
                        <div className="mt-2">
                            <Values condition={condition} set={(part) => set(index, part)} />
                        </div>
                        {errorOf(index) !== undefined && (
                            <p role="alert" className="mt-1 text-xs font-semibold text-pin-ink">
                                {errorOf(index)}
                            </p>
                        )}
                    </li>
                ))}
            </ul>
            <Button look="quiet" className="mt-1" onClick={() => onChange([...conditions, { not: false, ...change('category') }])}>
                <Plus size={14} aria-hidden="true" /> Ask {conditions.length === 0 ? 'something' : 'more'}
            </Button>
        </fieldset>
    );
}

function change(about: Condition['about']): Partial<Condition> & { about: Condition['about'] } {
    return { about, ...KINDS.find((each) => each.about === about)?.fresh };
}

function Values({ condition, set }: { condition: Condition; set: (part: Partial<Condition>) => void }) {
    switch (condition.about) {
        case 'category':
            return <CategoryValues condition={condition} set={set} />;
        case 'words':
            return (
                <textarea
                    rows={2}
                    aria-label="Words, one a line or between commas: any of them, in title, place or description"
                    placeholder="oar, mast step: either of them, in title, place or description"
                    className={CONTROL}
                    value={(condition.words ?? []).join('\n')}
                    onChange={(event) => set({ words: event.target.value === '' ? [] : event.target.value.split('\n') })}
                />
            );
        case 'people':
            return <PeopleValues condition={condition} set={set} />;
        case 'status':
            return (
                <Choices
                    all={STATUSES}
                    chosen={condition.statuses ?? []}
                    onChange={(statuses) => set({ statuses })}
                />
            );
        case 'all day':
            return <Either is={condition.is ?? true} yes="whole days" no="some hours" onChange={(is) => set({ is })} />;
        case 'busy':
            return <Either is={condition.is ?? true} yes="busy" no="free" onChange={(is) => set({ is })} />;
    }
}

function CategoryValues({ condition, set }: { condition: Condition; set: (part: Partial<Condition>) => void }) {
    const categories = useCategories();
    const chosen = condition.names ?? [];
    return (
        <div className="flex flex-col gap-2">
            <select aria-label="How many of them" className={`${CONTROL} w-auto! self-start`} value={condition.match ?? 'any'} onChange={(event) => set({ match: event.target.value as 'any' | 'all' | 'none' })}>
                <option value="any">any of these</option>
                <option value="all">all of these</option>
                <option value="none">none of these</option>
            </select>
            <Choices all={[...new Set([...(categories.data ?? []).map((each) => each.name), ...chosen])]} chosen={chosen} onChange={(names) => set({ names })} />
        </div>
    );
}

function PeopleValues({ condition, set }: { condition: Condition; set: (part: Partial<Condition>) => void }) {
    const who = condition.who ?? [];
    const without = (gone: Who) => set({ who: who.filter((each) => each !== gone) });
    return (
        <div className="flex flex-col gap-2">
            <select aria-label="What they have to do with it" className={`${CONTROL} w-auto! self-start`} value={condition.part ?? 'taking part'} onChange={(event) => set({ part: event.target.value as 'responsible' | 'taking part' | 'added' })}>
                <option value="taking part">who takes part</option>
                <option value="responsible">who is responsible</option>
                <option value="added">who added it</option>
            </select>
            <ul className="flex flex-wrap gap-1.5">
                {who.map((each) => (
                    <li key={`${each.kind}:${each.id ?? ''}`} className="flex items-center gap-1 border border-ink px-1.5">
                        {each.kind === 'me' ? 'me, whoever looks' : (each.name ?? each.kind)}
                        <button type="button" onClick={() => without(each)} aria-label={`Take ${each.name ?? 'me'} out`}>
                            <X size={13} />
                        </button>
                    </li>
                ))}
                {!who.some((each) => each.kind === 'me') && (
                    <li>
                        <Button look="quiet" className="min-h-6 py-0" onClick={() => set({ who: [...who, { kind: 'me' }] })}>
                            add me
                        </Button>
                    </li>
                )}
            </ul>
            <SubjectPicker entry={null} label="Add a person or group" onChange={(entry) => entry !== null && set({ who: [...who, { kind: entry.kind, id: entry.id, name: entry.name }] })} />
        </div>
    );
}

function Choices<Value extends string>({ all, chosen, onChange }: { all: readonly Value[]; chosen: readonly Value[]; onChange: (chosen: Value[]) => void }) {
    return (
        <div className="flex flex-wrap gap-1.5">
            {all.map((name) => (
                <button
                    key={name}
                    type="button"
                    aria-pressed={chosen.includes(name)}
                    onClick={() => onChange(chosen.includes(name) ? chosen.filter((each) => each !== name) : [...chosen, name])}
                    className="min-h-6 pointer-coarse:min-h-11 pointer-coarse:min-w-11 rounded-sm border border-line bg-sheet px-1.5 py-0.5 aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
                >
                    {name}
                </button>
            ))}
        </div>
    );
}

function Either({ is, yes, no, onChange }: { is: boolean; yes: string; no: string; onChange: (is: boolean) => void }) {
    return (
        <select aria-label="Which" className={`${CONTROL} w-auto!`} value={is ? 'yes' : 'no'} onChange={(event) => onChange(event.target.value === 'yes')}>
            <option value="yes">{yes}</option>
            <option value="no">{no}</option>
        </select>
    );
}
