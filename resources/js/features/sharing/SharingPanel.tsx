import { useQueryClient } from '@tanstack/react-query';
import { Globe, Users, X } from 'lucide-react';
import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { CheckField, FormProblem } from '@/components/Field';
import { Folded } from '@/components/Folded';
import { SavedCheckField } from '@/components/SavedCheckField';
import { isDone } from '@/components/useTicked';
import { Failed, Loading } from '@/components/States';
import { useCalendarActions, type Calendar } from '@/features/calendars/useCalendars';
import { LEVELS } from '@/api/generated/words';
import { GIVABLE, type Level } from '@/features/access/levels';
import { LevelSelect } from '@/features/access/LevelSelect';
import { PasteAddresses } from './PasteAddresses';
import { PagesForThePublic } from '@/features/publishing/PagesForThePublic';
import { SubjectPicker, type Entry } from '@/features/directory/SubjectPicker';
import { useSharing } from './useAccess';

type Grant = Schemas['Grant'];

/** Who may do what with a calendar: type a name or group, choose a level, done. */
export function SharingPanel({ calendar }: { calendar: Calendar }) {
    const client = useQueryClient();
    const sharing = useSharing(calendar.slug);
    const { update } = useCalendarActions();
    const [entry, setEntry] = useState<Entry | null>(null);
    const [level, setLevel] = useState<Level>('see');
    const [letter, setLetter] = useState(true);
    const [pasting, setPasting] = useState(false);
    const put = useAction((grant: Schemas['GrantInput']) => answered(api.PUT('/calendars/{slug}/grants', { params: { path: { slug: calendar.slug } }, body: grant })), {
        onDone: (saved) => client.setQueryData(queryKeys.sharing(calendar.slug), saved),
        quiet: true,
    });
    if (sharing.isError) return <Failed error={sharing.error} retry={() => void sharing.refetch()} />;
    if (sharing.data === undefined) return <Loading what="who may see this" />;
    const given = (kind: Grant['kind']) => sharing.data.grants.find((each) => each.kind === kind)?.level ?? 'none';
    const named = sharing.data.grants.filter((each) => each.kind === 'person' || each.kind === 'group');
    const problem = problemOf(put);
    const withdraw = (grant: Grant) =>
        put.mutate(
            { kind: grant.kind, id: grant.id, level: 'none' },
            { onSuccess: () => void toast(`“${calendar.name}” is no longer shared with ${grant.name}.`, { action: { label: 'Undo', onClick: () => put.mutate(grant) } }) },
        );
    const share = (chosen: Entry) =>
        put.mutate(
            { kind: chosen.kind, id: chosen.id, level, letter },
            {
                onSuccess: () => {
                    toast(`${chosen.name}: ${LEVELS[level].name}. ${chosen.isEmpty ? 'Nobody is in it yet: whoever comes into it has it.' : 'It shows in their calendars now.'}`);
                    setEntry(null);
                },
            },
        );
    return (
        <div className="flex flex-col gap-3">
            <p aria-label="How far it is shared" className="border-l-[3px] border-ink bg-wash px-3 py-1.5 font-semibold">
                {sharing.data.summary}
            </p>
            <form
                className="flex flex-wrap items-end gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (entry !== null) share(entry);
                }}
            >
                <SubjectPicker entry={entry} onChange={setEntry} />
                <LevelSelect label="Level" value={level} onChange={setLevel} />
                <Button type="submit" look="primary" className="min-h-8" disabled={entry === null || put.isPending}>
                    Share
                </Button>
            </form>
            <div className="flex flex-wrap items-center gap-x-5">
                <p className="min-w-0 flex-1 text-soft max-sm:basis-full">
                    {LEVELS[level].name}: {LEVELS[level].does}.
                </p>
                <CheckField label="Tell them by mail, too" checked={letter} onChange={(event) => setLetter(event.target.checked)} />
                <Button look="quiet" aria-expanded={pasting} onClick={() => setPasting(!pasting)}>
                    Many at once…
                </Button>
            </div>
            {pasting && <PasteAddresses calendar={calendar} level={level} letter={letter} />}
            {problem !== null && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
            <ul className="border-t border-line" aria-label="Who has access">
                <li className="flex min-h-11 items-center gap-3 border-b border-line py-1.5">
                    <span className="min-w-0 flex-1">
                        <b className="font-semibold">{sharing.data.keeper.name}</b> <span className="text-soft">keeps it</span>
                    </span>
                    <span className="text-soft">Manage, always</span>
                </li>
                <li className="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-line py-1.5">
                    <Users size={15} aria-hidden="true" />
                    <span className="min-w-0 flex-1 font-semibold">Everyone in the organisation</span>
                    {given('everyone') !== 'none' && given('everyone') !== 'busy' && (
                        <SavedCheckField
                            label="on everyone’s list"
                            title="Whoever may read it has it on their list until they take it off"
                            checked={calendar.offered}
                            take={(offered) => isDone(update.mutateAsync({ calendar, input: { offered } }))}
                        />
                    )}
                    <LevelSelect
                        label="Level of everyone"
                        hidden
                        levels={['none', ...GIVABLE]}
                        value={given('everyone')}
                        onChange={(chosen) => put.mutate({ kind: 'everyone', id: null, level: chosen }, { onSuccess: () => void toast(`Everyone: ${LEVELS[chosen].name}.`) })}
                    />
                    <span className="w-[37px]" />
                </li>
                <li className="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-line py-1.5">
                    <Globe size={15} aria-hidden="true" />
                    <span className="min-w-0 flex-1">
                        <b className="font-semibold">The public</b> <span className="text-soft">anyone outside, without an account</span>
                    </span>
                    <LevelSelect
                        label="Level of the public"
                        hidden
                        levels={['none', 'busy', 'see']}
                        value={given('public')}
                        onChange={(chosen) => put.mutate({ kind: 'public', id: null, level: chosen }, { onSuccess: () => void toast(`The public: ${LEVELS[chosen].name}.`) })}
                    />
                    <span className="w-[37px]" />
                    {sharing.data.publicUrl !== null && (
                        <p className="w-full pb-1 pl-7 text-xs text-soft [overflow-wrap:anywhere]">
                            Anyone can follow it at <a href={sharing.data.publicUrl} className="underline">{sharing.data.publicUrl}</a>
                        </p>
                    )}
                    <PagesForThePublic calendar={calendar} isPublic={given('public') !== 'none'} />
                </li>
                <Folded entries={named} keyOf={(grant) => `${grant.kind}:${grant.id}`} what="who were named">
                    {(grant) => (
                        <li className="flex min-h-11 items-center gap-3 border-b border-line py-1.5">
                            <span className="min-w-0 flex-1">
                                <b className="font-semibold">{grant.name}</b> <span className="text-soft">{grant.kind === 'group' ? 'group' : ''}</span>
                            </span>
                            <LevelSelect label={`Level of ${grant.name}`} hidden value={grant.level} onChange={(chosen) => put.mutate({ ...grant, level: chosen })} />
                            <Button look="quiet" className="px-1.5" onClick={() => withdraw(grant)} aria-label={`Withdraw from ${grant.name}`}>
                                <X size={15} />
                            </Button>
                        </li>
                    )}
                </Folded>
            </ul>
        </div>
    );
}
