import { useState } from 'react';
import { problemOf } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { FormProblem, TextField } from '@/components/Field';
import { Failed, Loading } from '@/components/States';
import { toast } from '@/toast/toast';
import { Authenticator } from './Authenticator';
import { RecoveryCodes } from './RecoveryCodes';
import { useSecondFactor } from './useSecondFactor';

/** Sets a second factor up, step by step, or says how it is and ends it. */
export function SecondFactorDialog({ onClose }: { onClose: () => void }) {
    const factor = useSecondFactor();
    const [password, setPassword] = useState('');
    const { state, begin, confirm, renew, end } = factor;
    const codes = renew.data?.codes ?? confirm.data?.codes;
    const on = state.data?.on === true;
    const asking = on ? (problemOf(renew) ?? problemOf(end)) : problemOf(begin);
    return (
        <Dialog open onOpenChange={onClose} title="Second factor" about="Besides your password, signing in asks for six figures that an authenticator on your phone or computer shows.">
            {state.isError ? (
                <Failed error={state.error} retry={() => void state.refetch()} />
            ) : state.data === undefined ? (
                <Loading what="how you sign in" />
            ) : codes !== undefined ? (
                <RecoveryCodes codes={codes} onDone={onClose} />
            ) : begin.data !== undefined && !on ? (
                <Authenticator told={begin.data} problem={problemOf(confirm)} pending={confirm.isPending} onCode={(code) => confirm.mutate(code)} onCancel={onClose} />
            ) : (
                <form
                    className="flex flex-col gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (on) renew.mutate(password);
                        else begin.mutate(password);
                    }}
                >
                    <p>
                        {on ? (
                            <>
                                <b className="font-semibold">You have one.</b> {state.data.codesLeft === 1 ? '1 recovery code is' : `${state.data.codesLeft} recovery codes are`} left, for when the authenticator is lost.
                            </>
                        ) : (
                            <>
                                <b className="font-semibold">You have none.</b> {state.data.needed && 'Your organisation asks its administrators for one: until then you do not look after people here.'}
                            </>
                        )}
                    </p>
                    <TextField label="Your password" type="password" autoComplete="current-password" value={password} error={asking?.field('password')} onChange={(event) => setPassword(event.target.value)} autoFocus />
                    {asking !== null && asking.fields.length === 0 && (
                        <FormProblem>
                            {asking.message} {asking.detail}
                        </FormProblem>
                    )}
                    <div className="flex flex-wrap justify-end gap-2">
                        <Button onClick={onClose}>Cancel</Button>
                        {on && !state.data.needed && (
                            <Button look="danger" disabled={end.isPending} onClick={() => end.mutate(password, { onSuccess: () => toast('You sign in by your password alone from now on.') })}>
                                End it
                            </Button>
                        )}
                        <Button type="submit" look="primary" disabled={begin.isPending || renew.isPending}>
                            {on ? 'New recovery codes' : 'Set one up'}
                        </Button>
                    </div>
                </form>
            )}
        </Dialog>
    );
}
