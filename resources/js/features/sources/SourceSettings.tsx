import { Link } from '@tanstack/react-router';
import { useState, type FormEvent } from 'react';
import type { Schemas } from '@/api/client';
import { problemOf } from '@/api/useAction';
import { Button } from '@/components/Button';
import { CheckField, ChoiceField, Field, FormProblem, TextField } from '@/components/Field';
import { JobProgress } from '@/features/jobs/JobProgress';
import { ConditionFields } from '@/features/overlays/ConditionFields';
import { usePerson } from '@/features/session/useSession';
import { CatalogueField } from './CatalogueField';
import { LookOfSource } from './LookOfSource';
import { OverlaysOfSource } from './OverlaysOfSource';
import { SignInFields } from './SignInFields';
import { everyWords } from './sourceWords';
import { useFetching, type Source, type Terms } from './useSources';

const OFTEN = [15, 30, 60, 120, 360, 720, 1440, 10_080];

const BUSY = { asIs: 'as each says', busy: 'all busy', free: 'all free' } as const;

/** Where a source is, how it is fetched, and what of it is taken. What is saved is fetched anew at once. */
export function SourceSettings({ source, onDone }: { source: Source; onDone: () => void }) {
    const { change } = useFetching(source);
    const [url, setUrl] = useState(source.url);
    const [every, setEvery] = useState(String(source.refreshMinutes));
    const [signIn, setSignIn] = useState<NonNullable<Schemas['SourceChanges']['signIn']>>({ kind: source.signIn, user: source.user });
    const [terms, setTerms] = useState<Terms>(source.terms ?? {});
    const isAdministrator = usePerson().role === 'administrator';
    const problem = problemOf(change);
    const set = (part: Partial<Terms>) => setTerms({ ...terms, ...part });
    const save = (submitted: FormEvent) => {
        submitted.preventDefault();
        const isOther = (now: unknown, before: unknown) => JSON.stringify(now) !== JSON.stringify(before);
        change.mutate(
            {
                ...(url === source.url ? {} : { url }),
                refreshMinutes: Number(every),
                ...(signIn.kind === source.signIn && (signIn.user ?? '') === source.user && (signIn.secret ?? '') === '' ? {} : { signIn }),
                ...(isOther(terms, source.terms ?? {}) ? { terms } : {}),
            },
            { onSuccess: onDone },
        );
    };
    const often = Object.fromEntries([...new Set([...OFTEN, source.refreshMinutes])].sort((a, b) => a - b).map((minutes) => [String(minutes), everyWords(minutes)]));
    return (
        <form aria-label={`Settings of ${source.calendar.name}`} className="flex flex-col gap-3 border-b border-line bg-paper px-3.5 py-3" onSubmit={save}>
            <LookOfSource source={source} />
            <OverlaysOfSource source={source} />
            <p className="text-soft">
                Who sees it, and all else that calendars have, is set{' '}
                <Link to="/calendars/$slug" params={{ slug: source.calendar.slug }} className="hit underline">
                    on its page
                </Link>
                .
            </p>
            <TextField label="Address" inputMode="url" value={url} error={problem?.field('url')} onChange={(typed) => setUrl(typed.target.value.trim())} />
            <ChoiceField
                label="Fetched"
                className="sm:w-60"
                value={every}
                choices={often}
                hint={source.everyMinutes > Number(every) ? `The far side asks for no more than ${everyWords(source.everyMinutes)}.` : undefined}
                onChange={setEvery}
            />
            <SignInFields value={signIn} keepsSecret={signIn.kind === source.signIn && source.signIn !== 'none'} onChange={setSignIn} />
            {source.kind === 'page' && <CheckField label="Read the pages that it leads to as well" checked={terms.follow ?? false} onChange={(ticked) => set({ follow: ticked.target.checked })} />}
            <ConditionFields conditions={(terms.conditions ?? []).map((each) => ({ not: false, ...each }))} without={['people']} onChange={(conditions) => set({ conditions })} errorOf={(index) => problem?.fields.find((each) => each.field.startsWith(`terms.conditions.${index}.`))?.message} />
            <ChoiceField
                label="The time of its events is"
                className="sm:w-60"
                value={terms.busy == null ? 'asIs' : terms.busy ? 'busy' : 'free'}
                choices={BUSY}
                onChange={(busy) => set({ busy: busy === 'asIs' ? null : busy === 'busy' })}
            />
            <TextField label="Categories that all of them are given" hint="Between commas" value={(terms.categories ?? []).join(', ')} onChange={(typed) => set({ categories: typed.target.value === '' ? [] : typed.target.value.split(/,\s*/) })} />
            <RenamedField renamed={terms.renamed ?? []} onChange={(renamed) => set({ renamed })} />
            {isAdministrator && <CatalogueField source={source} />}
            {problem !== null && (
                <FormProblem>
                    {problem.fields[0]?.message ?? problem.message} {problem.fields.length === 0 && problem.detail}
                </FormProblem>
            )}
            {change.isPending && <JobProgress job={change.job} what="Fetching it anew" />}
            <div className="flex gap-2">
                <Button type="submit" look="primary" disabled={change.isPending}>
                    {change.isPending ? 'Fetching…' : 'Save'}
                </Button>
                <Button onClick={onDone}>Cancel</Button>
            </div>
        </form>
    );
}

type Renamed = NonNullable<Terms['renamed']>;

/** What categories of the far side are called here, one a line: “race = regatta”; nothing behind it leaves it out. */
function RenamedField({ renamed, onChange }: { renamed: Renamed; onChange: (renamed: Renamed) => void }) {
    const [text, setText] = useState(renamed.map(({ from, to }) => `${from} = ${to}`).join('\n'));
    const read = (typed: string): Renamed =>
        typed
            .split('\n')
            .map((line) => line.split('='))
            .filter(([from = '', to]) => from.trim() !== '' && to !== undefined)
            .map(([from = '', to = '']) => ({ from: from.trim(), to: to.trim() }));
    return (
        <Field label="What its categories are called here" hint="One a line: race = regatta. Nothing behind the sign leaves it out.">
            {(control) => (
                <textarea
                    rows={2}
                    {...control}
                    value={text}
                    onChange={(typed) => {
                        setText(typed.target.value);
                        onChange(read(typed.target.value));
                    }}
                />
            )}
        </Field>
    );
}
