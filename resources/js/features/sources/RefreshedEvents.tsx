import type { Schemas } from '@/api/client';
import { Scrolling } from '@/components/Scrolling';
import { Failed, Loading } from '@/components/States';
import { FieldChange } from '@/features/history/FieldChange';
import { formatStart, otherYear } from '@/time/dates';
import { useRefreshedEvents, type RefreshOf } from './useSources';

type Event = Schemas['RefreshedEvent'];

const VERDICTS: Record<Event['verdict'], string> = { added: 'new', changed: 'changed', removed: 'gone' };

/** With which events a refresh did what: what goes first. */
export function RefreshedEvents({ source, refresh }: { source: number; refresh: RefreshOf }) {
    const events = useRefreshedEvents(source, refresh.id);
    if (events.isPending) return <Loading what="the events" />;
    if (events.isError) return <Failed error={events.error} retry={() => void events.refetch()} />;
    const { added = 0, changed = 0, removed = 0 } = refresh.counts ?? {};
    const more = added + changed + removed - events.data.length;
    return (
        <Scrolling as="ul" aria-label="Events of this refresh" className="mt-1.5 max-h-80 overflow-y-auto">
            {events.data.map((event, index) => (
                <li key={index} className="py-0.5 [overflow-wrap:anywhere]">
                    <i>{VERDICTS[event.verdict]}</i> <span className={event.verdict === 'removed' ? 'line-through decoration-1' : ''}>{event.title}</span>, {formatStart(event)}
                    {otherYear(event.start)}
                    {event.repeats && ', repeats'}
                    {event.changes.map((change) => (
                        <span key={`${change.of} ${change.field}`} className="block pl-4 text-soft">
                            <FieldChange change={change} />
                        </span>
                    ))}
                </li>
            ))}
            {more > 0 && <li className="text-soft">and {more.toLocaleString('en-GB')} more.</li>}
            {events.data.length === 0 && <li className="text-soft">What it did is not kept any more.</li>}
        </Scrolling>
    );
}
