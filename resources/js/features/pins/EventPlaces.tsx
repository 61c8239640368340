import { X } from 'lucide-react';
import { api, type Done, done, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { useRota } from '@/features/sheet/RotaContext';
import { useTellDone } from '@/features/history/useTellDone';

type Event = Schemas['Event'];

/** Where else an event is: pinned to further calendars, a copy of another, joined. */
export function EventPlaces({ event }: { event: Event }) {
    const rota = useRota();
    const tellDone = useTellDone();
    const said = ({ operation }: Done<unknown>, words: string) => tellDone(operation, words);
    const unpin = useAction(({ id: pin }: Schemas['Pin']) => done(api.DELETE('/events/{id}/pins/{pin}', { params: { path: { id: event.id, pin } } })), {
        changes: 'events',
        onDone: (done, { name, joined, by }) => said(done, joined ? `${by ?? 'Somebody'} no longer takes part.` : `No longer on ${name}.`),
    });
    const join = useAction(() => done(api.POST('/events/{id}/join', { params: { path: { id: event.id } } })), { onDone: (done) => said(done, `You have joined. It is on ${done.answer.name}, too.`) });
    const leave = useAction(() => done(api.DELETE('/events/{id}/join', { params: { path: { id: event.id } } })), { changes: 'events', onDone: (done) => said(done, 'You no longer take part.') });
    if (event.busyOnly || rota.search.as !== undefined) return null;
    const joiners = event.mayChange ? event.pins.filter((each) => each.joined) : [];
    const places = event.pins.filter((each) => !joiners.includes(each));
    if (event.copyOf === null && places.length === 0 && !event.joinable && event.joiners === 0) return null;
    return (
        <section aria-label="Where else it is" className="mt-3 border-t border-line pt-2.5">
            {event.copyOf !== null && (
                <p className="mb-1.5">
                    A copy of{' '}
                    <button type="button" className="hit underline" onClick={() => rota.go({ event: event.copyOf?.id, occurrence: undefined })}>
                        {event.copyOf.title}
                    </button>
                    .
                </p>
            )}
            {places.length > 0 && (
                <ul aria-label="Pinned to" className="mb-1.5 flex flex-col gap-1">
                    {places.map((each) => (
                        <li key={each.id} className="flex items-center gap-1.5">
                            <span aria-hidden="true" className="size-2 shrink-0 rounded-full bg-pin" />
                            <span className="min-w-0 flex-1 truncate" title={each.by === null ? undefined : `pinned by ${each.by}`}>
                                on {each.name}, too
                            </span>
                            {each.mayUnpin && (
                                <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" disabled={unpin.isPending} onClick={() => unpin.mutate(each)} aria-label={`Take it off ${each.name}`}>
                                    <X size={13} />
                                </button>
                            )}
                        </li>
                    ))}
                </ul>
            )}
            {(event.joinable || event.joiners > 0) && (
                <div className="mb-1.5 flex flex-wrap items-center gap-2">
                    {event.joined ? (
                        <Button onClick={() => leave.mutate()} disabled={leave.isPending}>
                            No longer take part
                        </Button>
                    ) : (
                        event.joinable && (
                            <Button look="primary" onClick={() => join.mutate()} disabled={join.isPending}>
                                Join
                            </Button>
                        )
                    )}
                    <span className="text-soft" title={event.joinerNames.join(', ')}>
                        {event.joiners === 0 ? 'Nobody has joined yet.' : `${event.joiners} ${event.joiners === 1 ? 'has' : 'have'} joined${event.joined ? ', you among them' : ''}.`}
                    </span>
                    {joiners.length > 0 && (
                        <ul aria-label="Who has joined" className="flex w-full flex-wrap gap-x-2 text-xs text-soft">
                            {joiners.map((each) => (
                                <li key={each.id} className="flex items-center">
                                    {each.by ?? 'Somebody who has left'}
                                    <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" disabled={unpin.isPending} onClick={() => unpin.mutate(each)} aria-label={`Take ${each.by ?? 'them'} off`}>
                                        <X size={12} />
                                    </button>
                                </li>
                            ))}
                        </ul>
                    )}
                </div>
            )}
        </section>
    );
}
