import { queryOptions } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';

type Event = Schemas['Event'];

export type Remark = Schemas['Remark'];

export const remarksQuery = (event: number) => queryOptions({ queryKey: queryKeys.remarks(event), queryFn: ({ signal }) => answered(api.GET('/events/{id}/remarks', { params: { path: { id: event } }, signal })) });

/** Remarking on an event, taking a remark away, and hearing of none. */
export function useRemarks({ id, occurrence }: Event, onAdded: () => void) {
    return {
        add: useAction(({ text, single }: { text: string; single: boolean }) => answered(api.POST('/events/{id}/remarks', { params: { path: { id } }, body: { text, ...(single ? { occurrence } : {}) } })), { onDone: onAdded, changes: 'events', quiet: true }),
        remove: useAction((remark: number) => answered(api.DELETE('/events/{id}/remarks/{remark}', { params: { path: { id, remark } } })), { changes: 'events' }),
        mute: useAction((muted: boolean) => answered(api.PUT('/events/{id}/remarks/muted', { params: { path: { id } }, body: { muted } })), { changes: 'events', untilShown: true }),
    };
}
