import { Users, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { PartyLink } from './PartyLink';
import { SubjectPicker, type Entry } from './SubjectPicker';
import { GroupDialog } from './GroupDialog';
import { useGroupActions, type Group, type Member } from './useGroups';

/** A group with who is in it; an administrator changes that here. */
export function GroupCard({ group, mayChange }: { group: Group; mayChange: boolean }) {
    const { put, remove } = useGroupActions();
    const [entry, setEntry] = useState<Entry | null>(null);
    const [doing, setDoing] = useState<'nothing' | 'adding' | 'renaming' | 'deleting'>('nothing');
    const done = () => setDoing('nothing');
    const members: (Member & { about: string })[] = [
        ...group.groups.map((each) => ({ kind: 'group' as const, id: each.id, name: each.name, about: 'all who are in it' })),
        ...group.people.map((each) => ({ kind: 'person' as const, id: each.id, name: each.name, about: each.post })),
    ];
    return (
        <section aria-label={group.name} className="mb-7">
            <header className="flex flex-wrap items-center gap-2 border-b border-ink pb-1.5">
                <h2 className="min-w-[min(100%,11rem)] flex-1 text-base font-semibold [overflow-wrap:anywhere]">
                    <PartyLink kind="group" id={group.id}>
                        {group.name}
                    </PartyLink>
                </h2>
                {mayChange && (
                    <>
                        <Button look="quiet" onClick={() => setDoing(doing === 'adding' ? 'nothing' : 'adding')} aria-expanded={doing === 'adding'} aria-label={`Put somebody in: ${group.name}`}>
                            Put somebody in
                        </Button>
                        <Button look="quiet" onClick={() => setDoing('renaming')} aria-label={`Rename ${group.name}`}>
                            Rename
                        </Button>
                        <Button look="quiet" onClick={() => setDoing('deleting')} aria-label={`Delete ${group.name}`}>
                            Delete
                        </Button>
                    </>
                )}
            </header>
            {members.length === 0 && <p className="py-2 text-soft">Nobody is in it yet.</p>}
            <ul className="grid sm:grid-cols-2 sm:gap-x-8">
                {members.map((member) => (
                    <li key={`${member.kind}:${member.id}`} className="flex min-h-9 items-center gap-2 border-b border-line py-1">
                        {member.kind === 'group' && <Users size={15} aria-label="Group" />}
                        <span className="min-w-0 flex-1 truncate">
                            <PartyLink kind={member.kind} id={member.id} className="font-semibold">
                                {member.name}
                            </PartyLink> <span className="text-soft">{member.about}</span>
                        </span>
                        {mayChange && (
                            <Button look="quiet" className="px-1.5" onClick={() => put.mutate({ group, member, within: false })} aria-label={`Take ${member.name} out of ${group.name}`}>
                                <X size={15} />
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            {doing === 'adding' && (
                <form
                    className="mt-2 flex max-w-lg flex-wrap items-end gap-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (entry !== null) put.mutate({ group, member: entry, within: true }, { onSuccess: () => setEntry(null) });
                    }}
                >
                    <SubjectPicker entry={entry} onChange={setEntry} />
                    <Button type="submit" look="primary" className="min-h-8" disabled={entry === null || put.isPending} aria-label={`Put into ${group.name}`}>
                        Put in
                    </Button>
                    <Button className="min-h-8" onClick={done}>
                        Done
                    </Button>
                </form>
            )}
            {doing === 'renaming' && <GroupDialog group={group} onClose={done} />}
            {doing === 'deleting' && (
                <Dialog open onOpenChange={done} title={`Delete “${group.name}”?`} about="What is shared with it is no longer seen by those who are in it. This cannot be undone.">
                    <div className="flex justify-end gap-2">
                        <Button onClick={done}>Keep it</Button>
                        <Button look="danger" disabled={remove.isPending} onClick={() => remove.mutate(group, { onSettled: done })}>
                            Delete it
                        </Button>
                    </div>
                </Dialog>
            )}
        </section>
    );
}
