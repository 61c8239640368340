import { ExternalLink } from 'lucide-react';
import { Button } from '@/components/Button';
import { buttonLook } from '@/components/buttonLook';
import { useSession, useSignOut } from '@/features/session/useSession';
import { AddEventButton, KeyButton } from './HeaderButtons';

/** Above the sheet in a frame on another site: what it is, who is signed in within it, and the way to all the rest. */
export function FramedHeader({ onKey }: { onKey: () => void }) {
    const session = useSession().data;
    const signOut = useSignOut();
    const frame = session?.frame ?? null;
    if (frame === null) return null;
    return (
        <header className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b-2 border-ink px-3 py-2">
            <h1 className="min-w-0 flex-1 truncate text-lg font-semibold">{frame.name}</h1>
            {frame.mayChange && <AddEventButton />}
            <KeyButton onKey={onKey} />
            <a href={`/?${new URLSearchParams({ [frame.of]: frame.slug }).toString()}`} target="_blank" rel="noopener" className={buttonLook('plain')} aria-label="Open it in a window of its own" title="Open it in a window of its own">
                <ExternalLink size={15} aria-hidden="true" />
            </a>
            <Button onClick={() => signOut.mutate()} disabled={signOut.isPending} aria-label={`Sign out ${session?.person?.name ?? ''}`}>
                Sign out
            </Button>
        </header>
    );
}
