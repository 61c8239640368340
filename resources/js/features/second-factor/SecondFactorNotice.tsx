import { useState } from 'react';
import { Button } from '@/components/Button';
import { lazily } from '@/components/lazily';

const SecondFactorDialog = lazily(() => import('./SecondFactorDialog'), 'SecondFactorDialog');

/** Says to an administrator that they are none until they have a second factor. */
export function SecondFactorNotice() {
    const [open, setOpen] = useState(false);
    return (
        <>
            <div role="status" className="flex flex-wrap items-center gap-3 border-b-2 border-pin bg-wash px-4 py-2">
                <p className="min-w-52 flex-1">Your organisation asks its administrators for a second factor. Until you have one, you look after nothing but your own.</p>
                <Button onClick={() => setOpen(true)}>Set it up</Button>
            </div>
            {open && <SecondFactorDialog onClose={() => setOpen(false)} />}
        </>
    );
}
