import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { answered, api, ifMatch, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction, useRefresh } from '@/api/useAction';

export type Calendar = Schemas['Calendar'];
export type CalendarInput = Schemas['CalendarInput'];
export type Category = Schemas['Category'];

export const calendarsQuery = queryOptions({ queryKey: queryKeys.calendars, queryFn: ({ signal }) => answered(api.GET('/calendars', { signal })) });

export function useCalendars() {
    return useQuery(calendarsQuery);
}

export function useCategories() {
    return useQuery({ queryKey: queryKeys.categories, queryFn: ({ signal }) => answered(api.GET('/categories', { signal })) });
}

export function useCalendarActions() {
    const client = useQueryClient();
    // A calendar shows in many places: all of them fetch anew.
    const refresh = useRefresh();
    const known = (saved: Calendar) => {
        client.setQueryData<Calendar[]>(queryKeys.calendars, (before = []) => [...before.filter((each) => each.slug !== saved.slug), saved].sort((a, b) => a.name.localeCompare(b.name)));
        void refresh('access');
    };
    const create = useMutation({
        mutationFn: (input: CalendarInput) => answered(api.POST('/calendars', { body: input })),
        onSuccess: known,
    });
    const archive = useAction(({ calendar, archived }: { calendar: Calendar; archived: boolean }) => answered(api.PUT('/calendars/{slug}/archived', { params: { path: { slug: calendar.slug } }, body: { archived } })), {
        onDone: (_, { calendar, archived }) =>
            void toast(archived ? `“${calendar.name}” is archived: it is read, and changed no more.` : `“${calendar.name}” is back in use.`, {
                action: { label: 'Undo', onClick: () => archive.mutate({ calendar, archived: !archived }) },
            }),
    });
    const update = useMutation({
        mutationFn: ({ calendar, input }: { calendar: Calendar; input: Partial<CalendarInput> }) =>
            answered(api.PATCH('/calendars/{slug}', { params: { path: { slug: calendar.slug }, header: ifMatch(calendar.version) }, body: input })),
        onSuccess: known,
    });
    const remove = useMutation({
        mutationFn: (calendar: Calendar) => answered(api.DELETE('/calendars/{slug}', { params: { path: { slug: calendar.slug } } })),
        onSuccess: (_, calendar) => {
            client.setQueryData<Calendar[]>(queryKeys.calendars, (before = []) => before.filter((each) => each.slug !== calendar.slug));
            void refresh('access');
            toast(`“${calendar.name}” is deleted, with all that was on it.`, {
                action: {
                    label: 'Undo',
                    onClick: () =>
                        void answered(api.POST('/calendars/{slug}/restore', { params: { path: { slug: calendar.slug } } })).then(() => {
                            void refresh('access');
                            toast(`“${calendar.name}” is back.`);
                        }),
                },
            });
        },
    });
    return { create, update, remove, archive };
}
