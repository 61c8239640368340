import { useRouterState } from '@tanstack/react-router';
import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { Problem } from '@/api/client';
import { Failed, Loading } from '@/components/States';
import { PasswordPage } from '@/features/session/PasswordPage';
import { SignInPage } from '@/features/session/SignInPage';
import { useSession } from '@/features/session/useSession';
import { Shell } from './Shell';

/** Lets in whoever is signed in; asks everybody else to. */
export function Gate() {
    const session = useSession();
    const path = useRouterState({ select: (state) => state.location.pathname });
    const client = useQueryClient();
    useEffect(
        () =>
            client.getQueryCache().subscribe((event) => {
                const error: unknown = event.query.state.error;
                const ended = error instanceof Problem && error.status === 401;
                if (ended && event.type === 'updated' && event.action.type === 'error') void client.invalidateQueries({ queryKey: ['session'] });
            }),
        [client],
    );
    if (path === '/password') return <PasswordPage />;
    if (session.isPending) return <Loading what="your session" />;
    if (session.isError) return <Failed error={session.error} retry={() => void session.refetch()} />;
    return session.data.person === null ? <SignInPage demo={session.data.demo} /> : <Shell />;
}
