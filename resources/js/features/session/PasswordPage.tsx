import { useQueryClient } from '@tanstack/react-query';
import { useNavigate, useSearch } from '@tanstack/react-router';
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
    const problem = problemOf(set);
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
