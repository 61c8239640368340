import { useQuery } from '@tanstack/react-query';
import { answered, api, done, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Scrolling } from '@/components/Scrolling';
import { Failed, Loading } from '@/components/States';
import { formatDate, formatMoment } from '@/time/dates';
import { useTellDone } from './useTellDone';

/** What was deleted from a calendar in the last 90 days, to be brought back. */
export function DeletedEvents({ slug }: { slug: string }) {
    const tellDone = useTellDone();
    const deleted = useQuery({ queryKey: queryKeys.deletedEvents(slug), queryFn: ({ signal }) => answered(api.GET('/calendars/{slug}/deleted', { params: { path: { slug } }, signal })) });
    const restore = useAction((event: Schemas['DeletedEvent']) => done(api.POST('/events/{id}/restore', { params: { path: { id: event.id } } })), {
        changes: 'events',
        onDone: ({ operation }, event) => tellDone(operation, `“${event.title}” is back.`),
    });
    if (deleted.isError) return <Failed error={deleted.error} retry={() => void deleted.refetch()} />;
    if (deleted.data === undefined) return <Loading what="what was deleted" />;
    if (deleted.data.length === 0) return <p className="text-soft">Nothing was deleted in the last 90 days.</p>;
    return (
        <Scrolling as="ul" aria-label="Deleted events" className="max-h-72 overflow-y-auto border-t border-line">
            {deleted.data.map((event) => (
                <li key={event.id} className="flex items-center gap-3 border-b border-line py-1.5">
                    <span className="min-w-0 flex-1">
                        <b className="font-semibold">{event.title}</b>, {formatDate(event.start, 'weekdayDay')}
                        {event.repeats && ', and on'}
                        <span className="block text-xs text-soft">
                            deleted {event.at === null ? '' : formatMoment(event.at)}
                            {event.by !== null && ` by ${event.by}`}
                        </span>
                    </span>
                    <Button disabled={restore.isPending} onClick={() => restore.mutate(event)} aria-label={`Bring ${event.title} back`}>
                        Bring it back
                    </Button>
                </li>
            ))}
        </Scrolling>
    );
}
