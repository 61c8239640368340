import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { FormProblem } from '@/components/Field';
import { Failed, Loading } from '@/components/States';
import { SubjectPicker, type Entry } from '@/features/directory/SubjectPicker';
import type { DirectoryPerson } from './usePeople';

type Kept = Schemas['Kept'];
type Thing = { what: 'calendar' | 'overlay'; slug: string; name: string };

/** Marks somebody as having left; all that they keep is listed and handed over in the same step. */
export function DepartureDialog({ person, onClose }: { person: DirectoryPerson; onClose: () => void }) {
    const kept = useQuery({ queryKey: queryKeys.kept(person.id), queryFn: ({ signal }) => answered(api.GET('/people/{id}/kept', { params: { path: { id: person.id } }, signal })), staleTime: 0 });
    return (
        <Dialog open onOpenChange={onClose} wide title={`${person.name} has left`} about="They can come in no more, are in no group, and nothing is shared with them by name. What they added stays.">
            {kept.isError ? <Failed error={kept.error} /> : kept.data === undefined ? <Loading what="what they keep" /> : <Handover person={person} kept={kept.data} onClose={onClose} />}
        </Dialog>
    );
}

function Handover({ person, kept, onClose }: { person: DirectoryPerson; kept: Kept; onClose: () => void }) {
    const things: Thing[] = [
        ...kept.calendars.map((each) => ({ what: 'calendar' as const, ...each })),
        ...kept.overlays.map((each) => ({ what: 'overlay' as const, ...each })),
    ];
    const [all, setAll] = useState<Entry | null>(null);
    const [single, setSingle] = useState<Record<string, Entry | null>>({});
    const [feeds, setFeeds] = useState<Entry | null>(null);
    const inTheirName = [...kept.feeds.map((each) => `${each.name}, ${each.ofName}`), ...kept.pages, ...kept.sources];
    const goesTo = (thing: Thing) => single[`${thing.what} ${thing.slug}`] ?? all;
    const open = things.filter((thing) => goesTo(thing) === null).length;
    const depart = useAction(
        () =>
            answered(api.POST('/people/{id}/departure', { params: { path: { id: person.id } }, body: {
                    handovers: things.flatMap((thing) => {
                        const to = goesTo(thing);
                        return to === null ? [] : [{ what: thing.what, slug: thing.slug, kind: to.kind, id: to.id }];
                    }),
                    feeds: feeds?.kind === 'person' ? feeds.id : null,
                } })),
        {
            onDone: () => {
                toast(`${person.name} has left${things.length === 0 ? '' : '; what they kept is handed over'}.`);
                onClose();
            },
            quiet: true,
        },
    );
    const problem = problemOf(depart);
    return (
        <form
            className="flex flex-col gap-4"
            onSubmit={(event) => {
                event.preventDefault();
                depart.mutate();
            }}
        >
            {things.length === 0 ? (
                <p>They keep no calendar and no overlay.</p>
            ) : (
                <>
                    <div>
                        <p className="mb-1 font-semibold">All that they keep goes to</p>
                        <SubjectPicker entry={all} onChange={setAll} label="New keeper of all" />
                    </div>
                    <ul aria-label="What they keep" className="border-t border-line">
                        {things.map((thing) => (
                            <li key={`${thing.what} ${thing.slug}`} className="flex flex-wrap items-center gap-3 border-b border-line py-1.5">
                                <span className="min-w-40 flex-1">
                                    <b className="font-semibold">{thing.name}</b> <span className="text-soft">{thing.what}</span>
                                </span>
                                <span className="text-soft">{goesTo(thing) === null ? 'to nobody yet' : `to ${goesTo(thing)?.name}`}</span>
                                <details className="w-full sm:w-72">
                                    <summary className="cursor-pointer text-soft">to somebody else</summary>
                                    <SubjectPicker entry={single[`${thing.what} ${thing.slug}`] ?? null} onChange={(entry) => setSingle({ ...single, [`${thing.what} ${thing.slug}`]: entry })} label={`New keeper of ${thing.name}`} />
                                </details>
                            </li>
                        ))}
                    </ul>
                </>
            )}
            {inTheirName.length > 0 && (
                <div>
                    <p className="mb-1">
                        <b className="font-semibold">What they publish and have pinned</b> ({inTheirName.join('; ')}): without a name under which it goes on, it ends.
                    </p>
                    <SubjectPicker entry={feeds} onChange={setFeeds} label="It goes on under the name of" />
                    {feeds?.kind === 'group' && <p className="text-xs font-semibold text-pin-ink">It goes on in the name of a person, not of a group.</p>}
                </div>
            )}
            {problem !== null && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
            <div className="flex justify-end gap-2">
                <Button onClick={onClose}>Cancel</Button>
                <Button type="submit" look="danger" disabled={open > 0 || feeds?.kind === 'group' || depart.isPending}>
                    {things.length === 0 ? 'They have left' : 'Hand over, they have left'}
                </Button>
            </div>
        </form>
    );
}
