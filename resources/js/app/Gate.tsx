import { useRouterState } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { Problem } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { Failed, Loading } from '@/components/States';
import { useSession } from '@/features/session/useSession';
import { epochNow } from '@/time/dates';
import { Shell } from './Shell';
import { lazily } from '@/components/lazily';

const FramedShell = lazily(() => import('./FramedShell'), 'FramedShell');
const PasswordPage = lazily(() => import('@/features/session/PasswordPage'), 'PasswordPage');
const SignInAgain = lazily(() => import('@/features/session/SignInAgain'), 'SignInAgain');
const SignInPage = lazily(() => import('@/features/session/SignInPage'), 'SignInPage');

/** Lets in whoever is signed in; asks everybody else to. Who was in and is no more signs in over what they were doing. */
export function Gate() {
    const session = useSession();
    const path = useRouterState({ select: (state) => state.location.pathname });
    const client = useQueryClient();
    const [endedAt, setEndedAt] = useState(0);
    useEffect(() => {
        const note = (error: unknown) => {
            const person = client.getQueryData<{ person: unknown }>(queryKeys.session)?.person;
            if (error instanceof Problem && (error.status === 401 || error.status === 419) && person != null) setEndedAt(epochNow());
        };
        const queries = client.getQueryCache().subscribe((event) => event.type === 'updated' && event.action.type === 'error' && note(event.query.state.error));
        const mutations = client.getMutationCache().subscribe((event) => event.type === 'updated' && event.action.type === 'error' && note(event.action.error));
        return () => {
            queries();
            mutations();
        };
    }, [client]);
    if (path === '/password') return <PasswordPage />;
    if (session.isPending) return <Loading what="your session" />;
    if (session.isError) return <Failed error={session.error} retry={() => void session.refetch()} />;
    const { person, demo } = session.data;
    if (person === null) return <SignInPage demo={demo} organisation={session.data.organisation.name} />;
    return (
        <>
            {session.data.frame === null ? <Shell /> : <FramedShell frame={session.data.frame} />}
            {/* Signed in anew, the session is newer than its end. */}
            {endedAt > session.dataUpdatedAt && <SignInAgain person={person} demo={demo} onBack={(again) => client.setQueryData(queryKeys.session, again)} />}
        </>
    );
}
