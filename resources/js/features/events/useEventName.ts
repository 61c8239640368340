import { useQueryClient } from '@tanstack/react-query';
import type { Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { formatStart } from '@/time/dates';

/** Tells an event from others: “Oar test, Thu 26 Nov 13:30, on Assessments”. */
export function useEventName() {
    const client = useQueryClient();
    const nameOf = (slug: string) => client.getQueryData<Schemas['Calendar'][]>(queryKeys.calendars)?.find((each) => each.slug === slug)?.name ?? slug;
    return (event: Pick<Schemas['Event'], 'title' | 'start' | 'end' | 'allDay' | 'calendar'>) => `${event.title}, ${formatStart(event)}, on ${nameOf(event.calendar)}`;
}
