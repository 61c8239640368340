import { useState } from 'react';
import { answered, api } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { TextField } from '@/components/Field';

/** Asks for a letter with a link to set a new password by. Whether anybody has the address is not told. */
export function AskForLink({ email }: { email: string }) {
    const [address, setAddress] = useState(email);
    const ask = useAction(() => answered(api.POST('/session/password-link', { body: { email: address } })), { quiet: true });
    if (ask.isSuccess) return <p role="status" className="mt-4 border-l-[3px] border-ink pl-2.5">If somebody here has this address, a letter with a link is on its way. It holds for an hour.</p>;
    return (
        <form
            className="mt-4 flex flex-wrap items-end gap-2 border-t border-line pt-4"
            onSubmit={(event) => {
                event.preventDefault();
                ask.mutate();
            }}
        >
            <TextField label="Send a link to set a new password to" type="email" fieldClassName="min-w-52 flex-1" value={address} error={problemOf(ask)?.message} onChange={(event) => setAddress(event.target.value)} required />
            <Button type="submit" className="min-h-8" disabled={ask.isPending}>
                Send it
            </Button>
        </form>
    );
}
