import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { lazily } from '@/components/lazily';
import { followOf, followsQuery, howWords, type Followable } from './following';

const FollowDialog = lazily(() => import('./FollowDialog'), 'FollowDialog');

/** Says how one is told of something, and lets it be changed. */
export function FollowButton({ what, plain = false }: { what: Followable; /** Within a line of text. */ plain?: boolean }) {
    const [open, setOpen] = useState(false);
    const follows = useQuery(followsQuery).data?.follows;
    const known = follows === undefined ? undefined : followOf(follows, what);
    const words = known === undefined ? 'Follow…' : known.pace === 'off' ? 'Muted' : 'Followed';
    return (
        <>
            {plain ? (
                <button type="button" className="hit text-left underline" onClick={() => setOpen(true)}>
                    {known === undefined ? 'follow it…' : known.pace === 'off' ? 'never told' : `told ${howWords(known)}`}
                </button>
            ) : (
                <Button onClick={() => setOpen(true)} title={known === undefined ? undefined : `You are told ${howWords(known)}`}>
                    {words}
                </Button>
            )}
            {open && <FollowDialog what={what} onClose={() => setOpen(false)} />}
        </>
    );
}
