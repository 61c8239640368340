import { api, done, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useTellDone } from '@/features/history/useTellDone';
import { useRota } from '@/features/sheet/RotaContext';

/** Keeps an event on one's own calendar, too, or no longer: it stays one event, and nobody else sees that one keeps it. */
export function KeepOnMine({ event }: { event: Schemas['Event'] }) {
    const rota = useRota();
    const own = useCalendars().data?.find((each) => each.own);
    const tellDone = useTellDone();
    const kept = event.pins.find((pin) => pin.calendar === own?.slug && !pin.joined);
    const put = useAction(
        (keep: boolean) =>
            keep
                ? done(api.POST('/events/{id}/pins', { params: { path: { id: event.id } }, body: { calendar: own?.slug ?? '' } }))
                : done(api.DELETE('/events/{id}/pins/{pin}', { params: { path: { id: event.id, pin: kept?.id ?? 0 } } })),
        { changes: 'events', untilShown: true, onDone: ({ operation }, keep) => tellDone(operation, keep ? 'It is on your own calendar, too.' : 'It is no longer on your own calendar.') },
    );
    if (own === undefined || event.busyOnly || event.calendar === own.slug || rota.search.as !== undefined || event.pins.some((pin) => pin.calendar === own.slug && pin.joined)) return null;
    return (
        <Button className="border-line" disabled={put.isPending} aria-pressed={kept !== undefined} onClick={() => put.mutate(kept === undefined)}>
            {kept === undefined ? 'Keep it on mine' : 'On mine'}
        </Button>
    );
}
