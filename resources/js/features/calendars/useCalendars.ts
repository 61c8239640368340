import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { api, type Schemas } from '@/api/client';
import { useAction, useRefresh } from '@/api/useAction';

export type Calendar = Schemas['Calendar'];
export type CalendarInput = Schemas['CalendarInput'];
export type Category = Schemas['Category'];

export function useCalendars() {
    return useQuery({ queryKey: ['calendars'], queryFn: ({ signal }) => api<Calendar[]>('GET', '/calendars', { signal }) });
}

export function useCategories() {
    return useQuery({ queryKey: ['categories'], queryFn: ({ signal }) => api<Category[]>('GET', '/categories', { signal }) });
}

export function useCalendarActions() {
    const client = useQueryClient();
    // A calendar shows in many places: all of them fetch anew.
    const refresh = useRefresh();
    const known = (saved: Calendar) => {
        client.setQueryData<Calendar[]>(['calendars'], (before = []) => [...before.filter((each) => each.slug !== saved.slug), saved].sort((a, b) => a.name.localeCompare(b.name)));
        void refresh();
    };
    const create = useMutation({
        mutationFn: (input: CalendarInput) => api<Calendar>('POST', '/calendars', { body: input }),
        onSuccess: known,
    });
    const archive = useAction(({ calendar, archived }: { calendar: Calendar; archived: boolean }) => api<Calendar>('PUT', `/calendars/${calendar.slug}/archived`, { body: { archived } }), {
        onDone: (_, { calendar, archived }) =>
            void toast(archived ? `“${calendar.name}” is archived: it is read, and changed no more.` : `“${calendar.name}” is back in use.`, {
                action: { label: 'Undo', onClick: () => archive.mutate({ calendar, archived: !archived }) },
            }),
    });
    const update = useMutation({
        mutationFn: ({ calendar, input }: { calendar: Calendar; input: Partial<CalendarInput> }) =>
            api<Calendar>('PATCH', `/calendars/${calendar.slug}`, { body: input, version: calendar.version }),
        onSuccess: known,
    });
    const remove = useMutation({
        mutationFn: (calendar: Calendar) => api<void>('DELETE', `/calendars/${calendar.slug}`),
        onSuccess: (_, calendar) => {
            client.setQueryData<Calendar[]>(['calendars'], (before = []) => before.filter((each) => each.slug !== calendar.slug));
            void refresh();
            toast(`“${calendar.name}” is deleted, with all that was on it.`, {
                action: {
                    label: 'Undo',
                    onClick: () =>
                        void api('POST', `/calendars/${calendar.slug}/restore`).then(() => {
                            void refresh();
                            toast(`“${calendar.name}” is back.`);
                        }),
                },
            });
        },
    });
    return { create, update, remove, archive };
}
