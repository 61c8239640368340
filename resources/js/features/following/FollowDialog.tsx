import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api } from '@/api/client';
import { FOLLOWED_CHANGES, PACES } from '@/api/generated/words';
import { queryKeys } from '@/api/queryKeys';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { CheckField, FormProblem } from '@/components/Field';
import { Failed, Loading } from '@/components/States';
import { toast } from '@/toast/toast';
import { followOf, followsQuery, howWords, type Follow, type Followable, type FollowedChange, type Pace } from './following';

type Props = { what: Followable; onClose: () => void };

/** Of what one is told of something, when, and where. */
export function FollowDialog({ what, onClose }: Props) {
    const following = useQuery(followsQuery);
    return (
        <Dialog open onOpenChange={onClose} title={what.input.kind === 'mine' ? what.name : `Follow ${what.name}`} about="Only you see that you follow it. You are not told of what you do yourself, nor of what you may not see.">
            {following.isError ? <Failed error={following.error} retry={() => void following.refetch()} /> : following.data === undefined ? <Loading what="what you follow" /> : <FollowForm what={what} known={followOf(following.data.follows, what)} onClose={onClose} />}
        </Dialog>
    );
}

const USUAL: FollowedChange[] = ['added', 'moved', 'changed', 'cancelled'];

/** What can be muted, though something larger is followed. */
const MUTED = ['event', 'category', 'mine'];

function FollowForm({ what, known, onClose }: Props & { known: Follow | undefined }) {
    const client = useQueryClient();
    const [how, setHow] = useState<Pick<Follow, 'changes' | 'pace' | 'byMail' | 'inInbox'>>({ changes: known?.changes ?? USUAL, pace: known?.pace ?? what.suggested ?? 'daily', byMail: known?.byMail ?? true, inInbox: known?.inInbox ?? true });
    const save = useAction(() => answered(api.PUT('/follows', { body: { ...what.input, ...how } })), {
        onDone: (following) => {
            client.setQueryData(queryKeys.follows, following);
            toast(how.pace === 'off' ? `“${what.name}”: you are told nothing of it.` : `“${what.name}”: you are told ${howWords(how)}.`);
            onClose();
        },
        quiet: true,
    });
    const end = useAction((id: number) => answered(api.DELETE('/follows/{id}', { params: { path: { id } } })), {
        onDone: () => {
            toast(what.input.kind === 'mine' ? 'As it is for everybody.' : `You follow “${what.name}” no longer.`);
            onClose();
        },
    });
    const problem = problemOf(save);
    const paces = (Object.keys(PACES) as Pace[]).filter((each) => each !== 'off' || MUTED.includes(what.input.kind));
    const toggle = (change: FollowedChange) => setHow({ ...how, changes: how.changes.includes(change) ? how.changes.filter((each) => each !== change) : [...how.changes, change] });
    return (
        <form
            className="flex flex-col gap-4"
            noValidate
            onSubmit={(event) => {
                event.preventDefault();
                save.mutate();
            }}
        >
            <fieldset>
                <legend className="mb-1 text-xs text-soft">When you are told</legend>
                <div className="flex flex-col">
                    {paces.map((each) => (
                        <label key={each} className="flex min-h-7 items-center gap-2 pointer-coarse:min-h-11">
                            <input type="radio" name="pace" className="size-4 accent-(--ink)" checked={how.pace === each} onChange={() => setHow({ ...how, pace: each })} />
                            {PACES[each]}
                            {what.suggested === each && <span className="text-soft">(suggested by who manages it)</span>}
                        </label>
                    ))}
                </div>
            </fieldset>
            {how.pace !== 'off' && (
                <>
                    <fieldset>
                        <legend className="mb-1 text-xs text-soft">Of what</legend>
                        <div className="flex flex-wrap gap-x-4">
                            {(Object.keys(FOLLOWED_CHANGES) as FollowedChange[]).map((each) => (
                                <CheckField key={each} label={FOLLOWED_CHANGES[each]} checked={how.changes.includes(each)} onChange={() => toggle(each)} />
                            ))}
                        </div>
                        {problem?.field('changes') !== undefined && <FormProblem>{problem.field('changes')}</FormProblem>}
                    </fieldset>
                    <fieldset>
                        <legend className="mb-1 text-xs text-soft">Where</legend>
                        <div className="flex flex-wrap gap-x-4">
                            <CheckField label="by mail" checked={how.byMail} onChange={(event) => setHow({ ...how, byMail: event.target.checked })} />
                            <CheckField label="under “For you”" checked={how.inInbox} onChange={(event) => setHow({ ...how, inInbox: event.target.checked })} />
                        </div>
                        {problem?.field('inInbox') !== undefined && <FormProblem>{problem.field('inInbox')}</FormProblem>}
                    </fieldset>
                </>
            )}
            {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
            <div className="flex flex-wrap justify-end gap-2">
                {known != null && known.id !== null && (
                    <Button className="mr-auto" disabled={end.isPending} onClick={() => end.mutate(known.id ?? 0)}>
                        {what.input.kind === 'mine' ? 'As it is for everybody' : 'Follow no longer'}
                    </Button>
                )}
                <Button onClick={onClose}>Cancel</Button>
                <Button type="submit" look="primary" disabled={save.isPending}>
                    {known === undefined ? 'Follow' : 'Save'}
                </Button>
            </div>
        </form>
    );
}
