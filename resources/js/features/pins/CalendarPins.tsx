import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { answered, api, done, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Scrolling } from '@/components/Scrolling';
import { Failed, Loading } from '@/components/States';
import { useTellDone } from '@/features/history/useTellDone';
import { formatDate } from '@/time/dates';

/** What is pinned to a calendar from elsewhere. What its pinner may no longer see shows nothing, and can be let go of here. */
export function CalendarPins({ slug, name }: { slug: string; name: string }) {
    const tellDone = useTellDone();
    const pins = useQuery({ queryKey: queryKeys.calendarPins(slug), queryFn: ({ signal }) => answered(api.GET('/calendars/{slug}/pins', { params: { path: { slug } }, signal })) });
    const unpin = useAction((pin: Schemas['CalendarPin']) => done(api.DELETE('/events/{id}/pins/{pin}', { params: { path: { id: pin.event, pin: pin.id } } })), {
        changes: 'events',
        onDone: ({ operation }) => tellDone(operation, `No longer on ${name}.`),
    });
    if (pins.isError) return <Failed error={pins.error} retry={() => void pins.refetch()} />;
    if (pins.data === undefined) return <Loading what="what is pinned here" />;
    if (pins.data.length === 0) return <p className="text-soft">No event is pinned here by itself.</p>;
    return (
        <Scrolling as="ul" aria-label="Pinned here" className="max-h-72 overflow-y-auto border-t border-line">
            {pins.data.map((pin) => (
                <li key={pin.id} className="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-line py-1">
                    <span className="min-w-0 flex-1">
                        {pin.title === null ? (
                            <i>{pin.shared ? 'Busy: what it is is hidden' : 'No longer shared'}</i>
                        ) : (
                            <Link to="/" search={{ calendar: slug, event: pin.event, date: pin.start ?? undefined }} className="font-semibold hover:underline">
                                {pin.title}
                            </Link>
                        )}
                        <span className="block text-xs text-soft">
                            {pin.start !== null && `${formatDate(pin.start, 'weekdayDay')}, `}pinned by {pin.by ?? 'somebody who has left'}
                        </span>
                    </span>
                    <Button disabled={unpin.isPending} onClick={() => unpin.mutate(pin)} aria-label={`Take off ${pin.title ?? 'what is no longer shared'}`}>
                        Take it off
                    </Button>
                </li>
            ))}
        </Scrolling>
    );
}
