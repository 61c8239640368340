import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Users, X } from 'lucide-react';
import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { FormProblem } from '@/components/Field';
import { Failed, Loading } from '@/components/States';
import { LEVELS, OVERLAY_LEVELS } from '@/api/generated/words';
import type { Level } from '@/features/access/levels';
import { LevelSelect } from '@/features/access/LevelSelect';
import { LogList } from '@/features/changelog/LogList';
import { SubjectPicker, type Entry } from '@/features/directory/SubjectPicker';
import type { Overlay } from './useOverlays';

type Sharing = Schemas['OverlaySharing'];

const GIVABLE: Level[] = ['see', 'change', 'manage'];

/** Who may look through an overlay, lay its layers or manage it, and who keeps it. */
export function OverlaySharingDialog({ overlay, onClose }: { overlay: Overlay; onClose: () => void }) {
    const client = useQueryClient();
    const sharing = useQuery({ queryKey: queryKeys.overlaySharing(overlay.slug), queryFn: ({ signal }) => answered(api.GET('/overlays/{slug}/grants', { params: { path: { slug: overlay.slug } }, signal })) });
    const [entry, setEntry] = useState<Entry | null>(null);
    const [level, setLevel] = useState<Level>('see');
    const done = (saved: Sharing) => client.setQueryData(queryKeys.overlaySharing(overlay.slug), saved);
    const put = useAction((grant: Schemas['GrantInput']) => answered(api.PUT('/overlays/{slug}/grants', { params: { path: { slug: overlay.slug } }, body: grant })), { onDone: done, quiet: true });
    const hand = useAction((to: Entry) => answered(api.PUT('/overlays/{slug}/keeper', { params: { path: { slug: overlay.slug } }, body: { kind: to.kind, id: to.id, stays: 'manage' } })), {
        onDone: (saved) => {
            done(saved);
            setEntry(null);
            toast(`“${overlay.name}” is kept by ${saved.keeper.name} now.`);
        },
        quiet: true,
    });
    const problem = problemOf(put) ?? problemOf(hand);
    const everyone = sharing.data?.grants.find((each) => each.kind === 'everyone')?.level ?? 'none';
    const named = sharing.data?.grants.filter((each) => each.kind !== 'everyone') ?? [];
    return (
        <Dialog open onOpenChange={onClose} title={`Who may look through “${overlay.name}”`} about="Through an overlay nobody sees more than their own access to its calendars allows.">
            {sharing.isError ? (
                <Failed error={sharing.error} retry={() => void sharing.refetch()} />
            ) : sharing.data === undefined ? (
                <Loading what="who may" />
            ) : (
                <div className="flex flex-col gap-3">
                    <form
                        className="flex flex-wrap items-end gap-2"
                        onSubmit={(event) => {
                            event.preventDefault();
                            if (entry !== null) put.mutate({ kind: entry.kind, id: entry.id, level }, { onSuccess: () => setEntry(null) });
                        }}
                    >
                        <SubjectPicker entry={entry} onChange={setEntry} />
                        <LevelSelect label="Level" value={level} levels={GIVABLE} onChange={setLevel} />
                        <Button type="submit" look="primary" className="min-h-8" disabled={entry === null || put.isPending}>
                            Share
                        </Button>
                        <Button className="min-h-8" disabled={entry === null || hand.isPending} onClick={() => entry !== null && hand.mutate(entry)}>
                            Hand over
                        </Button>
                    </form>
                    <p className="text-soft">
                        {LEVELS[level].name}: {OVERLAY_LEVELS[level as keyof typeof OVERLAY_LEVELS]}.
                    </p>
                    {problem !== null && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
                    <ul className="border-t border-line" aria-label="Who may look through it">
                        <li className="flex min-h-11 items-center gap-3 border-b border-line">
                            <b className="min-w-0 flex-1 font-semibold">{sharing.data.keeper.name}</b>
                            <span className="text-soft">keeps it, and manages it always</span>
                        </li>
                        <li className="flex min-h-11 items-center gap-3 border-b border-line">
                            <Users size={15} aria-hidden="true" />
                            <span className="min-w-0 flex-1 font-semibold">Everyone in the organisation</span>
                            <LevelSelect label="Level of everyone" hidden levels={['none', ...GIVABLE]} value={everyone} onChange={(chosen) => put.mutate({ kind: 'everyone', id: null, level: chosen })} />
                            <span className="w-[37px]" />
                        </li>
                        {named.map((grant) => (
                            <li key={`${grant.kind}:${grant.id}`} className="flex min-h-11 items-center gap-3 border-b border-line">
                                <span className="min-w-0 flex-1">
                                    <b className="font-semibold">{grant.name}</b> <span className="text-soft">{grant.kind === 'group' ? 'group' : ''}</span>
                                </span>
                                <LevelSelect label={`Level of ${grant.name}`} hidden levels={GIVABLE} value={grant.level} onChange={(chosen) => put.mutate({ kind: grant.kind, id: grant.id, level: chosen })} />
                                <Button look="quiet" className="px-1.5" onClick={() => put.mutate({ kind: grant.kind, id: grant.id, level: 'none' })} aria-label={`Withdraw from ${grant.name}`}>
                                    <X size={15} />
                                </Button>
                            </li>
                        ))}
                    </ul>
                    <details>
                        <summary className="cursor-pointer text-soft">Change log</summary>
                        <LogList of={{ kind: 'overlay', slug: overlay.slug }} />
                    </details>
                </div>
            )}
        </Dialog>
    );
}
