import { toast } from '@/toast/toast';
import { answered, api } from '@/api/client';
import { useAction } from '@/api/useAction';
import type { Calendar } from './useCalendars';

/** One's own list of calendars: what is on it changes nothing for others. */
export function useListActions() {
    const put = useAction(({ calendar, onList }: { calendar: Calendar; onList: boolean }) => answered(api.PUT('/calendars/{slug}/list', { params: { path: { slug: calendar.slug } }, body: { onList } })), {
        onDone: (_, { calendar, onList }) =>
            void toast(onList ? `“${calendar.name}” is on your list.` : `“${calendar.name}” is off your list; nothing changes for others.`, {
                action: { label: 'Undo', onClick: () => put.mutate({ calendar, onList: !onList }) },
            }),
    });
    const look = useAction(({ calendar, colour, mark }: { calendar: Calendar; colour: Calendar['colour'] | null; mark: Calendar['mark'] | null }) => answered(api.PUT('/calendars/{slug}/look', { params: { path: { slug: calendar.slug } }, body: { colour, mark } })), {
        onDone: (_, { calendar, colour }) => void toast(colour === null ? `You see “${calendar.name}” as it has been given.` : `You see “${calendar.name}” so from now on; nothing changes for others.`),
    });
    const leave = useAction((calendar: Calendar) => answered(api.DELETE('/calendars/{slug}/grants/own', { params: { path: { slug: calendar.slug } } })), {
        onDone: (_, calendar) => void toast(`You have left “${calendar.name}”.`),
    });
    return { put, look, leave };
}
