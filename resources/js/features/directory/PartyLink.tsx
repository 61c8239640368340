import { Link } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import type { Schemas } from '@/api/client';

type Props = { kind: Schemas['DirectoryEntry']['kind']; id: number; children: ReactNode; className?: string };

/** A name that leads to the sheet of a person, of the people of a group, or of a room. */
export function PartyLink({ kind, id, children, className = '' }: Props) {
    return (
        <Link to="/" search={{ of: `${kind}:${id}` }} className={`inline-flex min-h-6 items-center hover:underline focus-visible:underline pointer-coarse:min-h-11 pointer-coarse:min-w-11 ${className}`} title={`What ${kind === 'room' ? 'is on here' : kind === 'group' ? 'those in it have on' : 'they have on'}`}>
            {children}
        </Link>
    );
}
