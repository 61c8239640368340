import { useNavigate } from '@tanstack/react-router';
import { answered, api, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { useOverlays } from '@/features/overlays/useOverlays';
import { toast } from '@/toast/toast';

/** Takes what was shared with one: it is on one's list and a layer of one's home sheet, which is looked at. */
export function useLookAtShared() {
    const navigate = useNavigate();
    const home = useOverlays().data?.find((each) => each.home)?.slug;
    return useAction(
        (invitation: Schemas['InvitationWaiting']) => answered(api.PUT('/invitations/{id}', { params: { path: { id: invitation.id } }, body: { accepted: true, look: true } })),
        {
            onDone: (_, { calendar }) => {
                toast(`“${calendar.name}” is on your list, and a layer of your home sheet.`);
                void navigate({ to: '/', search: home === undefined ? { calendar: calendar.slug } : { overlay: home } });
            },
        },
    );
}
