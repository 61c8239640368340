import { useQuery } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { LEVELS } from '@/api/generated/words';
import type { Level } from '@/features/access/levels';
import { unreadQuery } from './notices';

type Invitation = Schemas['InvitationWaiting'];
type Request = Schemas['RequestWaiting'];

/** Invitations to answer, requests to decide, answers to one's own. */
export function useWaiting() {
    return useQuery({ queryKey: queryKeys.waiting, queryFn: ({ signal }) => answered(api.GET('/waiting', { signal })) });
}

export function useWaitingCount(): number {
    const { data } = useWaiting();
    const unread = useQuery(unreadQuery).data?.unread ?? 0;
    return unread + (data === undefined ? 0 : data.asked.length + data.replies.length + data.invitations.length + data.requests.length + data.answers.length + data.sources.length);
}

export function useWaitingActions() {
    const answer = useAction(({ invitation, accepted }: { invitation: Invitation; accepted: boolean }) => answered(api.PUT('/invitations/{id}', { params: { path: { id: invitation.id } }, body: { accepted } })), {
        onDone: (_, { invitation, accepted }) => void toast(accepted ? `“${invitation.calendar.name}” is on your list.` : `“${invitation.calendar.name}” is declined.`),
    });
    const decide = useAction(({ request, level }: { request: Request; level: Level }) => answered(api.PUT('/requests/{id}', { params: { path: { id: request.id } }, body: { level } })), {
        onDone: (_, { request, level }) => void toast(level === 'none' ? `Declined; ${request.by} is told.` : `${request.by}: ${LEVELS[level].name} on “${request.calendar.name}”.`),
    });
    const seen = useAction((id: number) => answered(api.PUT('/requests/{id}/seen', { params: { path: { id } } })));
    return { answer, decide, seen };
}
