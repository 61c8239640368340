import type { Schemas } from '@/api/client';
import { formatWhen, otherYear } from '@/time/dates';
import { everyWords } from './sourceWords';

const KINDS: Record<Schemas['AddressFound']['kind'], string> = { calendar: 'A calendar', table: 'A table', page: 'A page', text: 'A text' };

/** What is at an address, before anything is kept. */
export function FoundAtAddress({ found }: { found: Schemas['AddressFound'] }) {
    const { name, kind, count, events, ownMinutes } = found;
    return (
        <section aria-label="What is there" className="border border-line bg-paper p-3">
            <p>
                {KINDS[kind]}
                {name !== '' && (
                    <>
                        {' '}
                        called <b className="font-semibold">{name}</b>
                    </>
                )}
                , with {count === 0 ? 'no event yet' : count === 1 ? 'one event' : `${count.toLocaleString('en-GB')} events`}
                {ownMinutes !== null && `; it asks to be fetched ${everyWords(ownMinutes)}`}.
            </p>
            {events.length > 0 && (
                <ul className="mt-1.5 text-soft">
                    {events.map((event, index) => (
                        <li key={index} className="[overflow-wrap:anywhere]">
                            {formatWhen(event)}
                            {otherYear(event.start)}: <span className="text-ink">{event.title}</span>
                            {event.place !== '' && `, ${event.place}`}
                        </li>
                    ))}
                    {count > events.length && <li>and {(count - events.length).toLocaleString('en-GB')} more.</li>}
                </ul>
            )}
        </section>
    );
}
