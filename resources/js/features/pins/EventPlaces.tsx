import { X } from 'lucide-react';
import { api, type Done, done, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useRota } from '@/features/sheet/RotaContext';
import { useTellDone } from '@/features/history/useTellDone';

type Event = Schemas['Event'];

/** Where else an event is: pinned to further calendars, copied to one’s own, joined. */
export function EventPlaces({ event }: { event: Event }) {
    const rota = useRota();
    const calendars = useCalendars().data ?? [];
    const tellDone = useTellDone();
    const said = ({ operation }: Done<unknown>, words: string) => tellDone(operation, words);
    const nameOf = (slug: string) => calendars.find((each) => each.slug === slug)?.name ?? slug;
    const pin = useAction((slug: string) => done(api.POST('/events/{id}/pins', { params: { path: { id: event.id } }, body: { calendar: slug } })), {
        changes: 'events',
        onDone: (done, slug) => said(done, `Pinned to ${nameOf(slug)}: it is one event, and shows on both.`),
    });
    const unpin = useAction(({ id: pin }: Schemas['Pin']) => done(api.DELETE('/events/{id}/pins/{pin}', { params: { path: { id: event.id, pin } } })), {
        changes: 'events',
        onDone: (done, { name, joined, by }) => said(done, joined ? `${by ?? 'Somebody'} no longer takes part.` : `No longer on ${name}.`),
    });
    const copy = useAction(({ slug, occurrence }: { slug: string; occurrence: string | null }) => done(api.POST('/events/{id}/copies', { params: { path: { id: event.id }, query: { occurrence: occurrence ?? undefined } }, body: { calendar: slug } })), {
        changes: 'events',
        onDone: (done) => {
            said(done, `Copied to ${nameOf(done.answer.calendar)}. The copy is its own event from now on.`);
            rota.go({ event: done.answer.id, occurrence: undefined });
        },
    });
    const join = useAction(() => done(api.POST('/events/{id}/join', { params: { path: { id: event.id } } })), { onDone: (done) => said(done, `You have joined. It is on ${done.answer.name}, too.`) });
    const leave = useAction(() => done(api.DELETE('/events/{id}/join', { params: { path: { id: event.id } } })), { changes: 'events', onDone: (done) => said(done, 'You no longer take part.') });
    if (event.busyOnly || rota.search.as !== undefined) return null;
    const targets = calendars.filter((each) => each.mayAdd);
    const joiners = event.mayChange ? event.pins.filter((each) => each.joined) : [];
    const places = event.pins.filter((each) => !joiners.includes(each));
    const unpinned = targets.filter((each) => each.slug !== event.calendar && !event.pins.some((there) => there.calendar === each.slug));
    return (
        <section aria-label="Where else it is" className="mt-3 border-t border-line pt-2.5">
            {event.copyOf !== null && (
                <p className="mb-1.5">
                    A copy of{' '}
                    <button type="button" className="underline" onClick={() => rota.go({ event: event.copyOf?.id, occurrence: undefined })}>
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
                                <button type="button" className="grid size-6 place-items-center" disabled={unpin.isPending} onClick={() => unpin.mutate(each)} aria-label={`Take it off ${each.name}`}>
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
                            Leave it
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
                                    <button type="button" className="grid size-6 place-items-center" disabled={unpin.isPending} onClick={() => unpin.mutate(each)} aria-label={`Take ${each.by ?? 'them'} off`}>
                                        <X size={12} />
                                    </button>
                                </li>
                            ))}
                        </ul>
                    )}
                </div>
            )}
            <div className="flex flex-wrap gap-3">
                {unpinned.length > 0 && <PlacePicker label="pin to…" name="Pin to a further calendar" calendars={unpinned} onChoose={(slug) => pin.mutate(slug)} />}
                {targets.length > 0 && <PlacePicker label={event.occurrence === null ? 'copy to…' : 'copy this time to…'} name="Copy to a calendar" calendars={targets} onChoose={(slug) => copy.mutate({ slug, occurrence: event.occurrence })} />}
                {targets.length > 0 && event.occurrence !== null && <PlacePicker label="copy all times to…" name="Copy the whole series to a calendar" calendars={targets} onChoose={(slug) => copy.mutate({ slug, occurrence: null })} />}
            </div>
        </section>
    );
}

function PlacePicker({ label, name, calendars, onChoose }: { label: string; name: string; calendars: Schemas['Calendar'][]; onChoose: (slug: string) => void }) {
    return (
        <label className="relative text-soft underline hover:text-ink">
            {label}
            <select aria-label={name} className="absolute inset-0 w-full cursor-pointer opacity-0" value="" onChange={(chosen) => chosen.target.value !== '' && onChoose(chosen.target.value)}>
                <option value="">choose a calendar</option>
                {calendars.map((each) => (
                    <option key={each.slug} value={each.slug}>
                        {each.name}
                    </option>
                ))}
            </select>
        </label>
    );
}
