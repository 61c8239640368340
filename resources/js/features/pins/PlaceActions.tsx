import { api, done, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useTellDone } from '@/features/history/useTellDone';
import { useRota } from '@/features/sheet/RotaContext';
import { PlacePicker } from './PlacePicker';

/** Takes an event to further calendars: as a copy that is an event of its own, or pinned there as the one that it is. */
export function PlaceActions({ event }: { event: Schemas['Event'] }) {
    const rota = useRota();
    const calendars = useCalendars().data ?? [];
    const tellDone = useTellDone();
    const nameOf = (slug: string) => calendars.find((each) => each.slug === slug)?.name ?? slug;
    const pin = useAction((slug: string) => done(api.POST('/events/{id}/pins', { params: { path: { id: event.id } }, body: { calendar: slug } })), {
        changes: 'events',
        onDone: ({ operation }, slug) => tellDone(operation, `Pinned to ${nameOf(slug)}: it is one event, and shows on both.`),
    });
    const copy = useAction(({ slug, occurrence }: { slug: string; occurrence: string | null }) => done(api.POST('/events/{id}/copies', { params: { path: { id: event.id }, query: { occurrence: occurrence ?? undefined } }, body: { calendar: slug } })), {
        changes: 'events',
        onDone: ({ operation, answer }) => {
            tellDone(operation, `Copied to ${nameOf(answer.calendar)}. The copy is its own event from now on.`);
            rota.go({ event: answer.id, occurrence: undefined });
        },
    });
    if (event.busyOnly || rota.search.as !== undefined) return null;
    const targets = calendars.filter((each) => each.mayAdd);
    // One's own has a button of its own.
    const unpinned = targets.filter((each) => !each.own && each.slug !== event.calendar && !event.pins.some((there) => there.calendar === each.slug));
    return (
        <>
            {targets.length > 0 && <PlacePicker label={event.occurrence === null ? 'Copy to…' : 'Copy this time…'} name="Copy to a calendar" calendars={targets} onChoose={(slug) => copy.mutate({ slug, occurrence: event.occurrence })} />}
            {targets.length > 0 && event.occurrence !== null && <PlacePicker label="Copy all times…" name="Copy the whole series to a calendar" calendars={targets} onChoose={(slug) => copy.mutate({ slug, occurrence: null })} />}
            {unpinned.length > 0 && <PlacePicker label="Pin to…" name="Pin to a further calendar" calendars={unpinned} onChoose={(slug) => pin.mutate(slug)} />}
        </>
    );
}
