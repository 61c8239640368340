import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { api, type Schemas } from '@/api/client';

export type Calendar = Schemas['Calendar'];
export type CalendarInput = Schemas['CalendarInput'];

export function useCalendars() {
    return useQuery({ queryKey: ['calendars'], queryFn: ({ signal }) => api<Calendar[]>('GET', '/calendars', { signal }) });
}

export function useCategories() {
    return useQuery({ queryKey: ['categories'], queryFn: ({ signal }) => api<Schemas['Category'][]>('GET', '/categories', { signal }) });
}

export function useCalendarActions() {
    const client = useQueryClient();
    // A calendar shows in many places: all of them fetch anew.
    const refresh = () => client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
    const known = (saved: Calendar) => {
        client.setQueryData<Calendar[]>(['calendars'], (before = []) => [...before.filter((each) => each.slug !== saved.slug), saved].sort((a, b) => a.name.localeCompare(b.name)));
        void refresh();
    };
    const create = useMutation({
        mutationFn: (input: CalendarInput) => api<Calendar>('POST', '/calendars', { body: input }),
        onSuccess: known,
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
    return { create, update, remove };
}
