import { useState } from 'react';
import { answered, api, Problem, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { FormProblem, TextField } from '@/components/Field';
import { CodeField } from './CodeField';

type Props = { person: Schemas['Person']; demo: Schemas['Demo'] | null; onBack: (session: Schemas['Session']) => void };

/** Where the session has ended while somebody works: they sign in over it, and what was typed is still there. */
export function SignInAgain({ person, demo, onBack }: Props) {
    const [password, setPassword] = useState('');
    const [code, setCode] = useState('');
    const signIn = useAction(
        async () => {
            // The token against forged requests ended with the session; asking brings a new one.
            await answered(api.GET('/session'));
            return answered(api.POST('/session', { body: { email: person.email, password, ...(code === '' ? {} : { code }) } }));
        },
        { quiet: true, onDone: onBack },
    );
    const problem = signIn.error instanceof Problem ? signIn.error : null;
    return (
        <Dialog open covering onOpenChange={() => undefined} title="You were signed out" about="Nothing of what you typed is lost: sign in, and go on from where you were.">
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    signIn.mutate();
                }}
            >
                <p>
                    As <b className="font-semibold">{person.name}</b>, {person.email}
                </p>
                <TextField
                    label="Password"
                    type="password"
                    autoComplete="current-password"
                    autoFocus
                    value={password}
                    error={problem?.field('email') ?? problem?.field('password')}
                    hint={demo === null ? undefined : `In the demo everybody’s is “${demo.password}”.`}
                    onChange={(event) => setPassword(event.target.value)}
                />
                <CodeField code={code} problem={problem} onChange={setCode} />
                {problem !== null && problem.fields.length === 0 && (
                    <FormProblem>
                        {problem.message} {problem.detail}
                    </FormProblem>
                )}
                <div className="flex gap-2">
                    <Button type="submit" look="primary" disabled={signIn.isPending}>
                        Sign in and go on
                    </Button>
                    <Button look="quiet" onClick={() => window.location.assign('/')}>
                        Somebody else signs in
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
