import { queryOptions, useQueryClient } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';

export type Notice = Schemas['Notice'];

/** So often, in milliseconds, it is asked whether there is more: nobody waits for it. */
const LOOK = 60_000;

export const noticesQuery = queryOptions({ queryKey: queryKeys.notices, queryFn: ({ signal }) => answered(api.GET('/notices', { signal })), refetchInterval: LOOK });

export const unreadQuery = queryOptions({ queryKey: queryKeys.unread, queryFn: ({ signal }) => answered(api.GET('/notices/unread', { signal })), refetchInterval: LOOK });

/** Says of a notice that one has read it, or not; of all, where none is named. It is so on screen at once. */
export function useReading() {
    const client = useQueryClient();
    const anew = async () => {
        await client.invalidateQueries({ queryKey: queryKeys.notices });
    };
    const put = (notice: Notice | null, read: boolean) => {
        client.setQueryData(noticesQuery.queryKey, (all) => all?.map((each) => (notice === null || each.id === notice.id ? { ...each, read } : each)));
    };
    const one = useAction(({ notice, read }: { notice: Notice; read: boolean }) => {
        put(notice, read);
        return answered(api.PUT('/notices/{id}', { params: { path: { id: notice.id } }, body: { read } }));
    }, { onDone: () => void anew() });
    const all = useAction(() => {
        put(null, true);
        return answered(api.PUT('/notices', {}));
    }, { onDone: () => void anew() });
    return { one, all };
}
