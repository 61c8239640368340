import { useState } from 'react';
import { Problem, type Schemas } from '@/api/client';
import { frameKey } from '@/api/frame';
import { Button } from '@/components/Button';
import { CheckField, FormProblem, TextField } from '@/components/Field';
import { PinLogo } from '@/components/PinLogo';
import { AskForLink } from './AskForLink';
import { CodeField } from './CodeField';
import { useSignIn } from './useSession';

type DemoPeopleProps = { people: readonly Schemas['DemoPerson'][]; large?: boolean; onEnter: (person: Schemas['DemoPerson']) => void };

function DemoPeople({ people, large = false, onEnter }: DemoPeopleProps) {
    return (
        <ul className="grid gap-px">
            {people.map((person) => (
                <li key={person.email}>
                    <button type="button" className={`flex min-h-6 w-full items-center gap-3 border-b pointer-coarse:min-h-11 border-hair px-2 text-left hover:bg-wash ${large ? 'py-2.5' : 'py-1.5'}`} onClick={() => onEnter(person)}>
                        <span className="font-semibold">{person.name}</span>
                        <span className="ml-auto text-right text-soft">{person.post}</span>
                    </button>
                </li>
            ))}
        </ul>
    );
}

/** @param organisation its name; empty where nobody has said */
export function SignInPage({ demo, organisation }: { demo: Schemas['Demo'] | null; organisation: string }) {
    const [email, setEmail] = useState('');
    const [password, setPassword] = useState('');
    const [code, setCode] = useState('');
    const [stay, setStay] = useState(false);
    const [forgotten, setForgotten] = useState(false);
    const signIn = useSignIn();
    const problem = signIn.error instanceof Problem ? signIn.error : null;
    const enter = (person: Schemas['DemoPerson']) => {
        if (demo === null) return;
        // Where a second factor is asked for, the form goes on from here.
        setEmail(person.email);
        setPassword(demo.password);
        setCode('');
        signIn.mutate({ email: person.email, password: demo.password });
    };
    return (
        <main className="grid min-h-full bg-wash place-items-center p-4">
            <div className="grid w-full max-w-4xl border-2 border-ink bg-paper md:grid-cols-[1fr_1.2fr]">
                <div>
                <form
                    className="flex flex-col gap-4 p-6 sm:p-8"
                    onSubmit={(event) => {
                        event.preventDefault();
                        signIn.mutate({ email, password, stay, ...(code === '' ? {} : { code }) });
                    }}
                >
                    <div className="flex items-center gap-3">
                        <PinLogo />
                        <h1 className="text-3xl font-semibold">Pinned Rota</h1>
                    </div>
                    {organisation !== '' && <p className="text-lg font-semibold [overflow-wrap:anywhere]">{organisation}</p>}
                    <p className="text-soft">The calendars that everybody else lives by: built, shared, laid over each other.</p>
                    <TextField label="Your address" type="email" autoComplete="username" value={email} error={problem?.field('email')} onChange={(event) => setEmail(event.target.value)} required />
                    <TextField label="Password" type="password" autoComplete="current-password" value={password} error={problem?.field('password')} onChange={(event) => setPassword(event.target.value)} required />
                    <CodeField code={code} problem={problem} onChange={setCode} />
                    {frameKey === null && <CheckField label="Stay signed in on this device" checked={stay} onChange={(event) => setStay(event.target.checked)} />}
                    {stay && <p className="-mt-2 text-xs text-soft">What you read last is there without a network, too, until you sign out.</p>}
                    {problem !== null && problem.fields.length === 0 && (
                        <FormProblem>
                            {problem.message} {problem.detail}
                        </FormProblem>
                    )}
                    <Button type="submit" look="primary" className="py-1.5" disabled={signIn.isPending}>
                        Sign in
                    </Button>
                    {frameKey === null ? (
                        <Button look="quiet" className="self-start" aria-expanded={forgotten} onClick={() => setForgotten(!forgotten)}>
                            Password forgotten, or none yet?
                        </Button>
                    ) : (
                        <p className="text-soft">
                            Is this the site of your school? Sign in only where you know it. Or{' '}
                            <a href="/" target="_blank" rel="noopener" className="hit underline">
                                open it in a window of its own
                            </a>
                            , also where your browser asks you again and again.
                        </p>
                    )}
                </form>
                {forgotten && (
                    <div className="px-6 pb-6 sm:px-8">
                        <AskForLink email={email} />
                    </div>
                )}
                </div>
                {demo !== null && (
                    <section aria-labelledby="demo-people" className="max-h-[70vh] overflow-y-auto border-t border-line bg-sheet p-6 md:border-t-0 md:border-l">
                        <h2 id="demo-people" className="text-lg font-semibold">
                            Enter the demo as
                        </h2>
                        <p className="mb-3 text-soft">Skerrin Quay School of Boatbuilding, invented. Everybody’s password is “{demo.password}”.</p>
                        <DemoPeople people={demo.roles} large onEnter={enter} />
                        {demo.people.length > 0 && (
                            <details className="mt-4">
                                <summary className="cursor-pointer py-1.5 text-soft">or as one of {demo.people.length} others</summary>
                                <DemoPeople people={demo.people} onEnter={enter} />
                            </details>
                        )}
                    </section>
                )}
            </div>
        </main>
    );
}
