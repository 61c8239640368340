import { useState } from 'react';
import { ROLES } from '@/api/generated/words';
import { Button } from '@/components/Button';
import { PartyLink } from '@/features/directory/PartyLink';
import { useSendsMail } from '@/features/site/useSite';
import { formatMoment } from '@/time/dates';
import { DepartureDialog } from './DepartureDialog';
import { PersonDialog } from './PersonDialog';
import { PersonLinkDialog } from './PersonLinkDialog';
import { usePeopleActions, type DirectoryPerson } from './usePeople';

/** A person with what can be done about them. */
export function PersonRow({ person }: { person: DirectoryPerson }) {
    const { invite, makeLink, suspend, signOut, comeBack, endFactor } = usePeopleActions();
    const sendsMail = useSendsMail();
    const [doing, setDoing] = useState<'nothing' | 'changing' | 'leaving'>('nothing');
    const done = () => setDoing('nothing');
    return (
        <li aria-label={person.name} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-2">
            <span className="min-w-52 flex-1">
                <PartyLink kind="person" id={person.id} className="font-semibold">
                    {person.name}
                </PartyLink> <span className="text-soft">{person.post}</span>
                <span className="block text-soft [overflow-wrap:anywhere]">
                    {person.email}
                    {person.groups.length > 0 && ` · ${person.groups.map((group) => group.name).join(', ')}`}
                </span>
            </span>
            <span className="flex flex-wrap gap-1.5 text-xs">
                {person.role !== 'member' && <Tag>{ROLES[person.role].name}</Tag>}
                {person.hasSecondFactor && <Tag>second factor</Tag>}
                {person.status !== 'active' && <Tag>{person.status}</Tag>}
                {person.status === 'active' && !person.hasComeIn && <Tag>{person.invitedAt === null ? 'not invited yet' : `invited ${formatMoment(person.invitedAt)}`}</Tag>}
            </span>
            <span className="flex flex-wrap items-center">
                {person.status === 'active' && !sendsMail && (
                    <Button look="quiet" disabled={makeLink.isPending} onClick={() => makeLink.mutate(person)} aria-label={`A link for ${person.name}`}>
                        {person.hasComeIn ? 'Link for a new password' : 'Link to come in'}
                    </Button>
                )}
                {person.status === 'active' && sendsMail && !person.hasComeIn && (
                    <Button look="quiet" disabled={invite.isPending} onClick={() => invite.mutate(person)} aria-label={`Invite ${person.name}`}>
                        Invite
                    </Button>
                )}
                <Button look="quiet" onClick={() => setDoing('changing')} aria-label={`Change ${person.name}`}>
                    Change
                </Button>
                {person.status !== 'left' && (
                    <>
                        <Button look="quiet" onClick={() => suspend.mutate({ person, suspended: person.status === 'active' })} aria-label={person.status === 'active' ? `Suspend ${person.name}` : `Let ${person.name} in again`}>
                            {person.status === 'active' ? 'Suspend' : 'Let in again'}
                        </Button>
                        {person.status === 'active' && (
                            <Button look="quiet" onClick={() => signOut.mutate(person)} aria-label={`Sign ${person.name} out everywhere`}>
                                Sign out
                            </Button>
                        )}
                        {person.hasSecondFactor && (
                            <Button look="quiet" disabled={endFactor.isPending} onClick={() => endFactor.mutate(person)} aria-label={`${person.name} has lost the second factor`}>
                                Lost the second factor
                            </Button>
                        )}
                        <Button look="quiet" onClick={() => setDoing('leaving')} aria-label={`${person.name} has left`}>
                            Has left…
                        </Button>
                    </>
                )}
                {person.status === 'left' && (
                    <Button look="quiet" onClick={() => comeBack.mutate(person)} aria-label={`${person.name} is back`}>
                        Is back
                    </Button>
                )}
            </span>
            {makeLink.data !== undefined && <PersonLinkDialog person={person} url={makeLink.data.url} onClose={() => makeLink.reset()} />}
            {doing === 'changing' && <PersonDialog person={person} onClose={done} />}
            {doing === 'leaving' && <DepartureDialog person={person} onClose={done} />}
        </li>
    );
}

function Tag({ children }: { children: React.ReactNode }) {
    return <span className="border border-line px-1.5 py-px">{children}</span>;
}
