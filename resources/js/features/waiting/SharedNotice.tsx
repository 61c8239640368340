import { useState } from 'react';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { useRota } from '@/features/sheet/RotaContext';
import { useLookAtShared } from './useLookAtShared';
import { useWaiting } from './useWaiting';

/** Above the sheet: a calendar that was shared with one since, to be looked at now. */
export function SharedNotice() {
    const { search } = useRota();
    const invitations = useWaiting().data?.invitations ?? [];
    const [later, setLater] = useState<ReadonlySet<number>>(new Set());
    const look = useLookAtShared();
    const invitation = invitations.find(({ id }) => !later.has(id));
    if (invitation === undefined || search.as !== undefined) return null;
    return (
        <div role="status" aria-label="Shared with you" className="flex flex-wrap items-center gap-x-3 gap-y-1.5 border-b border-line bg-wash px-4 py-1.5 text-[13px]">
            <Mark mark={invitation.calendar.mark} ink={invitation.calendar.colour} size={14} />
            <p className="min-w-0 flex-1">
                <b>{invitation.by}</b> shares <b>{invitation.calendar.name}</b> with you. You can {invitation.means}.
            </p>
            <Button look="primary" disabled={look.isPending} onClick={() => look.mutate(invitation)} aria-label={`Look at it now: ${invitation.calendar.name}`}>
                Look at it now
            </Button>
            <Button onClick={() => setLater(new Set([...later, invitation.id]))}>Later</Button>
        </div>
    );
}
