import { X } from 'lucide-react';
import type { Problem, Schemas } from '@/api/client';
import { CONTROL, Field, TextField } from '@/components/Field';
import { SubjectPicker } from '@/features/directory/SubjectPicker';
import { useCalendars, useCategories } from '@/features/calendars/useCalendars';
import type { BulkAction } from './TableBar';

type Who = { kind: 'person' | 'group' | 'room'; id: number; name: string };

export type ChangeValues = {
    calendar: string;
    place: string;
    noPlace: boolean;
    status: string;
    time: '' | 'busy' | 'free';
    addCategories: string[];
    dropCategories: string[];
    add: (Who & { part: 'responsible' | 'required' })[];
    drop: Who[];
    days: number;
    weeks: number;
    minutes: number;
};

export const NOTHING: ChangeValues = { calendar: '', place: '', noPlace: false, status: '', time: '', addCategories: [], dropCategories: [], add: [], drop: [], days: 0, weeks: 0, minutes: 0 };

/** What is sent of it. */
export function changeOf(action: BulkAction, values: ChangeValues): Partial<Schemas['BulkInput']> {
    const days = 7 * values.weeks + values.days;
    const calendar = values.calendar === '' ? {} : { calendar: values.calendar };
    switch (action) {
        case 'delete':
            return { delete: true };
        case 'copy':
            return { copyDays: days, ...calendar };
        case 'shift':
            return { shiftDays: days, shiftMinutes: values.minutes };
        case 'set':
            return {
                ...calendar,
                ...(values.noPlace ? { place: '' } : values.place.trim() === '' ? {} : { place: values.place.trim() }),
                ...(values.status === '' ? {} : { status: values.status as 'confirmed' }),
                ...(values.time === '' ? {} : { busy: values.time === 'busy' }),
                ...(values.addCategories.length === 0 ? {} : { addCategories: values.addCategories }),
                ...(values.dropCategories.length === 0 ? {} : { dropCategories: values.dropCategories }),
                ...(values.add.length === 0 ? {} : { addParticipants: values.add.map(({ kind, id, part }) => ({ kind, id, part })) }),
                ...(values.drop.length === 0 ? {} : { dropParticipants: values.drop.map(({ kind, id }) => ({ kind, id })) }),
            };
    }
}

type Props = { action: 'set' | 'shift' | 'copy'; values: ChangeValues; onChange: (values: ChangeValues) => void; problem: Problem | null };

/** What is to be done with all of them; what is left empty stays as it is. */
export function ChangeFields({ action, values, onChange, problem }: Props) {
    const calendars = useCalendars().data?.filter((each) => each.mayAdd) ?? [];
    const categories = useCategories().data ?? [];
    const put = (part: Partial<ChangeValues>) => onChange({ ...values, ...part });
    const number = (name: 'days' | 'weeks' | 'minutes', label: string) => (
        <TextField
            label={label}
            type="number"
            value={values[name]}
            error={problem?.field(name === 'minutes' ? 'shiftMinutes' : action === 'copy' ? 'copyDays' : 'shiftDays')}
            onChange={(event) => put({ [name]: Number(event.target.value) })}
        />
    );
    const calendar = (label: string, none: string) => (
        <Field label={label} error={problem?.field('calendar')}>
            {(control) => (
                <select {...control} value={values.calendar} onChange={(event) => put({ calendar: event.target.value })}>
                    <option value="">{none}</option>
                    {calendars.map((each) => (
                        <option key={each.slug} value={each.slug}>
                            {each.name}
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
    if (action !== 'set') {
        return (
            <div className="grid gap-3 sm:grid-cols-3">
                {number('weeks', 'Weeks later (before: −)')}
                {number('days', 'and days')}
                {action === 'shift' ? number('minutes', 'and minutes') : calendar('On', 'the calendar each is on')}
                <p className="text-soft sm:col-span-3">{action === 'copy' ? 'Each is added again on other days, independent of what it is copied from. A term of twelve weeks is 12 weeks later.' : 'Series move with all their times; those that lasted whole days stay whole days.'}</p>
            </div>
        );
    }
    return (
        <div className="grid gap-3 sm:grid-cols-2">
            <p className="text-soft sm:col-span-2">What is left empty stays as it is.</p>
            {calendar('Calendar', 'as each is')}
            <div>
                <TextField label="Place" value={values.place} disabled={values.noPlace} error={problem?.field('place')} placeholder="as each is" onChange={(event) => put({ place: event.target.value })} />
                <label className="mt-1 flex items-center gap-1.5 text-xs text-soft">
                    <input type="checkbox" className="accent-(--ink)" checked={values.noPlace} onChange={(event) => put({ noPlace: event.target.checked })} /> none at all
                </label>
            </div>
            <Field label="State">
                {(control) => (
                    <select {...control} value={values.status} onChange={(event) => put({ status: event.target.value })}>
                        <option value="">as each is</option>
                        <option value="confirmed">confirmed</option>
                        <option value="provisional">provisional</option>
                        <option value="cancelled">cancelled</option>
                    </select>
                )}
            </Field>
            <Field label="Their time is">
                {(control) => (
                    <select {...control} value={values.time} onChange={(event) => put({ time: event.target.value as ChangeValues['time'] })}>
                        <option value="">as each is</option>
                        <option value="busy">busy</option>
                        <option value="free">left free</option>
                    </select>
                )}
            </Field>
            <Names label="Add a category" chosen={values.addCategories} offered={categories.map((each) => each.name)} onChange={(addCategories) => put({ addCategories })} error={problem?.field('categories')} />
            <Names label="Take a category off" chosen={values.dropCategories} offered={categories.map((each) => each.name)} onChange={(dropCategories) => put({ dropCategories })} error={undefined} />
            <div>
                <SubjectPicker
                    entry={null}
                    label="Add somebody, or a room"
                    onChange={(entry) => entry !== null && put({ add: [...values.add.filter((each) => each.id !== entry.id || each.kind !== entry.kind), { kind: entry.kind, id: entry.id, name: entry.name, part: 'required' }] })}
                    onRoom={(room) => put({ add: [...values.add, { kind: 'room', ...room, part: 'required' }] })}
                />
                <ul className="mt-1 flex flex-col gap-1">
                    {values.add.map((each) => (
                        <li key={`${each.kind}${each.id}`} className="flex items-center gap-1.5">
                            <span className="min-w-0 flex-1 truncate">{each.name}</span>
                            <select aria-label={`Part of ${each.name}`} className={`${CONTROL} w-auto!`} value={each.part} onChange={(event) => put({ add: values.add.map((other) => (other === each ? { ...each, part: event.target.value as 'required' } : other)) })}>
                                <option value="required">takes part</option>
                                <option value="responsible">responsible</option>
                            </select>
                            <Off name={each.name} onClick={() => put({ add: values.add.filter((other) => other !== each) })} />
                        </li>
                    ))}
                </ul>
            </div>
            <div>
                <SubjectPicker
                    entry={null}
                    label="Take somebody, or a room, off"
                    onChange={(entry) => entry !== null && put({ drop: [...values.drop, { kind: entry.kind, id: entry.id, name: entry.name }] })}
                    onRoom={(room) => put({ drop: [...values.drop, { kind: 'room', ...room }] })}
                />
                <ul className="mt-1 flex flex-col gap-1">
                    {values.drop.map((each) => (
                        <li key={`${each.kind}${each.id}`} className="flex items-center gap-1.5">
                            <span className="min-w-0 flex-1 truncate">{each.name}</span>
                            <Off name={each.name} onClick={() => put({ drop: values.drop.filter((other) => other !== each) })} />
                        </li>
                    ))}
                </ul>
            </div>
        </div>
    );
}

function Off({ name, onClick }: { name: string; onClick: () => void }) {
    return (
        <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" onClick={onClick} aria-label={`Not ${name}`}>
            <X size={13} />
        </button>
    );
}

function Names({ label, chosen, offered, onChange, error }: { label: string; chosen: string[]; offered: string[]; onChange: (names: string[]) => void; error: string | undefined }) {
    const names = [...new Set(offered)].filter((name) => !chosen.includes(name));
    return (
        <div>
            <Field label={label} error={error}>
                {(control) => (
                    <select {...control} value="" onChange={(event) => event.target.value !== '' && onChange([...chosen, event.target.value])}>
                        <option value="">choose…</option>
                        {names.map((name) => (
                            <option key={name} value={name}>
                                {name}
                            </option>
                        ))}
                    </select>
                )}
            </Field>
            <ul className="mt-1 flex flex-wrap gap-1">
                {chosen.map((name) => (
                    <li key={name} className="flex items-center border border-line bg-sheet pl-1.5 text-xs">
                        {name}
                        <Off name={name} onClick={() => onChange(chosen.filter((each) => each !== name))} />
                    </li>
                ))}
            </ul>
        </div>
    );
}
