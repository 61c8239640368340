import { useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { toast } from '@/toast/toast';

export type MemberFrame = Schemas['MemberFrame'];

/** The frames in which people sign in on other sites, and the sites that there are. */
export function useMemberFrames() {
    return useQuery({ queryKey: queryKeys.memberFrames, queryFn: ({ signal }) => answered(api.GET('/member-frames', { signal })) });
}

/** Makes one, or changes one where that is given. */
export function useMemberFrame(of: MemberFrame | null, onDone: () => void) {
    return useAction((body: Schemas['MemberFrameInput']) => answered(of === null ? api.POST('/member-frames', { body }) : api.PUT('/member-frames/{id}', { params: { path: { id: of.id } }, body })), { quiet: true, onDone });
}

export function useMemberFrameEnd(of: MemberFrame) {
    return useAction(() => answered(api.DELETE('/member-frames/{id}', { params: { path: { id: of.id } } })), { onDone: () => void toast(`The frame of “${of.ofName}” was taken back. Where it stood it shows nothing now.`) });
}
