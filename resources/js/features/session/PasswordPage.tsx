import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useSearch } from '@tanstack/react-router';
import { useState } from 'react';
import { PinLogo } from '@/components/PinLogo';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { FormProblem, TextField } from '@/components/Field';
import { CodeField } from './CodeField';
import { AskForLink } from './AskForLink';

/** Where the link of a letter leads: a first password, or a new one, and then straight to what the letter was about. */
export function PasswordPage() {
    const { email = '', token = '', to = '/' } = useSearch({ strict: false });
    const navigate = useNavigate();
    const client = useQueryClient();
    const [password, setPassword] = useState('');
    const [code, setCode] = useState('');
    const set = useAction(() => answered(api.PUT('/session/password-link', { body: { email, token, password, ...(code === '' ? {} : { code }) } })), {
        onDone: (session) => {
            client.removeQueries({ predicate: (query) => query.queryKey[0] !== queryKeys.session[0] });
            client.setQueryData(queryKeys.session, session);
            // Within this site alone, whatever the address says.
            void navigate({ href: to.startsWith('/') && !to.startsWith('//') ? to : '/', replace: true });
        },
        quiet: true,
    });
    // Before anybody thinks of a password. Where it cannot be asked, the form says what is wrong.
    const link = useQuery({ queryKey: queryKeys.passwordLink(email, token), queryFn: () => answered(api.POST('/session/password-link/check', { body: { email, token } })), enabled: email !== '' && token !== '', retry: false, gcTime: 0 });
    const over = email === '' || token === '' || link.data?.holds === false;
    const problem = problemOf(set);
    if (over && !set.isSuccess) return <LinkIsOver email={email} />;
    return (
        <main className="grid min-h-full place-items-center bg-wash p-4">
            <div className="w-full max-w-md border-2 border-ink bg-paper p-6 sm:p-8">
                <div className="mb-4 flex items-center gap-3">
                    <PinLogo />
                    <h1 className="text-2xl font-semibold">Set your password</h1>
                </div>
                <form
                    className="flex flex-col gap-4"
                    noValidate
                    onSubmit={(event) => {
                        event.preventDefault();
                        set.mutate();
                    }}
                >
                    <p className="text-soft">
                        For <b className="text-ink">{email || 'no address'}</b>. Afterwards you come in at once.
                    </p>
                    <input type="email" name="email" value={email} autoComplete="username" readOnly hidden />
                    <TextField label="New password" type="password" autoComplete="new-password" hint="At least 10 characters." value={password} error={problem?.field('password')} onChange={(event) => setPassword(event.target.value)} autoFocus />
                    <CodeField code={code} problem={problem} onChange={setCode} />
                    {problem !== null && problem.field('password') === undefined && problem.field('code') === undefined && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
                    <Button type="submit" look="primary" className="py-1.5" disabled={set.isPending}>
                        Set it and come in
                    </Button>
                </form>
                {problem?.field('token') !== undefined && <AskForLink email={email} />}
            </div>
        </main>
    );
}

function LinkIsOver({ email }: { email: string }) {
    return (
        <main className="grid min-h-full place-items-center bg-wash p-4">
            <div className="w-full max-w-md border-2 border-ink bg-paper p-6 sm:p-8">
                <div className="mb-4 flex items-center gap-3">
                    <PinLogo />
                    <h1 className="text-2xl font-semibold">This link is over</h1>
                </div>
                <p>It was used, has run out, or was not copied whole. If you have set a password already, sign in with it; else ask for a new link.</p>
                <p className="mt-3">
                    <Link to="/" className="underline">
                        Sign in
                    </Link>
                </p>
                <AskForLink email={email} />
            </div>
        </main>
    );
}
