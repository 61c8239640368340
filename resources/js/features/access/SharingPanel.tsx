import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Users, X } from 'lucide-react';
import { useState, type ComponentProps } from 'react';
import { toast } from 'sonner';
import { api, Problem, type Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { CONTROL, Field, FormProblem } from '@/components/Field';
import { Loading } from '@/components/States';
import type { Calendar } from '@/features/calendars/useCalendars';
import { GIVABLE, LEVELS, type Level } from './levels';
import { SubjectPicker, type Entry } from './SubjectPicker';

type Sharing = Schemas['Sharing'];
type Grant = Schemas['Grant'];

/** Who may do what with a calendar: type a name or group, choose a level, done. */
export function SharingPanel({ calendar }: { calendar: Calendar }) {
    const client = useQueryClient();
    const key = ['sharing', calendar.slug];
    const sharing = useQuery({ queryKey: key, queryFn: () => api<Sharing>('GET', `/calendars/${calendar.slug}/grants`) });
    const [entry, setEntry] = useState<Entry | null>(null);
    const [level, setLevel] = useState<Level>('read');
    const put = useMutation({
        mutationFn: (grant: Pick<Grant, 'kind' | 'id' | 'level'>) => api<Sharing>('PUT', `/calendars/${calendar.slug}/grants`, { body: grant }),
        onSuccess: async (saved) => {
            client.setQueryData(key, saved);
            await client.invalidateQueries({ queryKey: ['calendars'] });
        },
    });
    if (sharing.data === undefined) return <Loading what="who may see this" />;
    const everyone = sharing.data.grants.find((each) => each.kind === 'everyone');
    const others = sharing.data.grants.filter((each) => each.kind !== 'everyone');
    const problem = put.error instanceof Problem ? put.error : null;
    const withdraw = (grant: Grant) =>
        put.mutate(
            { kind: grant.kind, id: grant.id, level: 'none' },
            { onSuccess: () => void toast(`${grant.name} no longer sees “${calendar.name}”.`, { action: { label: 'Undo', onClick: () => put.mutate(grant) } }) },
        );
    return (
        <div className="flex flex-col gap-3">
            <form
                className="flex flex-wrap items-end gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (entry === null) return;
                    put.mutate(
                        { kind: entry.kind, id: entry.id, level },
                        {
                            onSuccess: () => {
                                toast(`${entry.name}: ${LEVELS[level].name}. It shows in their calendars now.`);
                                setEntry(null);
                            },
                        },
                    );
                }}
            >
                <SubjectPicker entry={entry} onChange={setEntry} />
                <LevelSelect label="Level" value={level} onChange={setLevel} />
                <Button type="submit" look="primary" className="min-h-8" disabled={entry === null || put.isPending}>
                    Share
                </Button>
            </form>
            <p className="text-soft">{LEVELS[level].means}.</p>
            {problem !== null && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
            <ul className="border-t border-line" aria-label="Who has access">
                <li className="flex items-center gap-3 border-b border-line py-2">
                    <span className="min-w-0 flex-1">
                        <b className="font-semibold">{sharing.data.keeper.name}</b> <span className="text-soft">keeps it</span>
                    </span>
                    <span className="text-soft">Manage, always</span>
                </li>
                <li className="flex items-center gap-3 border-b border-line py-2">
                    <Users size={15} aria-hidden="true" />
                    <span className="min-w-0 flex-1 font-semibold">Everyone in the organisation</span>
                    <LevelSelect
                        label="Level of everyone"
                        hidden
                        withNone
                        value={everyone?.level ?? 'none'}
                        onChange={(chosen) => put.mutate({ kind: 'everyone', id: null, level: chosen }, { onSuccess: () => void toast(`Everyone: ${LEVELS[chosen].name}.`) })}
                    />
                    <span className="w-[29px]" />
                </li>
                {others.map((grant) => (
                    <li key={`${grant.kind}:${grant.id}`} className="flex items-center gap-3 border-b border-line py-2">
                        <span className="min-w-0 flex-1">
                            <b className="font-semibold">{grant.name}</b> <span className="text-soft">{grant.kind === 'group' ? 'group' : ''}</span>
                        </span>
                        <LevelSelect label={`Level of ${grant.name}`} hidden value={grant.level} onChange={(chosen) => put.mutate({ ...grant, level: chosen })} />
                        <Button look="quiet" className="px-1.5" onClick={() => withdraw(grant)} aria-label={`Withdraw from ${grant.name}`}>
                            <X size={15} />
                        </Button>
                    </li>
                ))}
            </ul>
        </div>
    );
}

type SelectProps = { label: string; value: Level; onChange: (level: Level) => void; withNone?: boolean; hidden?: boolean };

function LevelSelect({ label, value, onChange, withNone = false, hidden = false }: SelectProps) {
    const select = (control: Partial<ComponentProps<'select'>>) => (
        <select {...control} value={value} onChange={(event) => onChange(event.target.value as Level)}>
            {(withNone ? (['none', ...GIVABLE] as Level[]) : GIVABLE).map((level) => (
                <option key={level} value={level}>
                    {LEVELS[level].name}
                </option>
            ))}
        </select>
    );
    return hidden ? (
        select({ 'aria-label': label, className: `${CONTROL} max-w-36` })
    ) : (
        <Field label={label} className="w-36">
            {select}
        </Field>
    );
}
