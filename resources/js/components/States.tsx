import type { ReactNode } from 'react';
import { Problem } from '@/api/client';
import { Button } from './Button';

export function Loading({ what }: { what: string }) {
    return (
        <p role="status" className="p-6 text-soft italic">
            Fetching {what}…
        </p>
    );
}

/** A page or a list with nothing on it: what it is for, and the one next step where there is one. */
export function Empty({ title, action, children }: { title: string; action?: ReactNode; children: ReactNode }) {
    return (
        <div className="hatched border border-line p-4">
            <div className="bg-paper px-6 py-8 text-center">
                <p className="font-serif text-lg font-semibold">{title}</p>
                <div className="mx-auto mt-1 max-w-prose text-soft">{children}</div>
                {action !== undefined && <div className="mt-4">{action}</div>}
            </div>
        </div>
    );
}

export function Failed({ error, retry }: { error: unknown; retry?: () => void }) {
    const told = error instanceof Problem ? error : null;
    return (
        <div role="alert" className="m-4 max-w-prose border-l-[3px] border-pin bg-wash px-4 py-3">
            <p className="font-semibold">{told?.message ?? 'Something went wrong.'}</p>
            <p className="mt-0.5 text-soft">{told?.detail ?? 'Load the page again; if it stays, tell whoever runs this for you.'}</p>
            {retry !== undefined && (
                <Button className="mt-2" onClick={retry}>
                    Try again
                </Button>
            )}
        </div>
    );
}
