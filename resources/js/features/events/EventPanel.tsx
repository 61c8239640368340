import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { frameKey } from '@/api/frame';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { AskForAccess } from '@/features/sharing/AskForAccess';
import { useCalendars } from '@/features/calendars/useCalendars';
import { focusAfter } from '@/features/sheet/sheetFocus';
import { useRota } from '@/features/sheet/RotaContext';
import { formatDate, formatInstants, formatMoment, formatWhen, timeOfDay } from '@/time/dates';
import { SeriesQuestion } from './SeriesQuestion';
import { useEventActions, type Event } from './useEventActions';
import { useEventSaves } from './useEventSaves';
import { Answer } from '@/features/participants/Answer';
import { EventFiles } from '@/features/attachments/EventFiles';
import { FollowButton } from '@/features/following/FollowButton';
import { JoinLink } from '@/features/meetings/JoinLink';
import { meetingsQuery } from '@/features/meetings/meetings';
import { EventHistory } from '@/features/history/EventHistory';
import { EventPlaces } from '@/features/pins/EventPlaces';
import { byMonday, schoolWeekOf } from '@/features/sheet/schoolWeeks';
import { KeepOnMine } from '@/features/pins/KeepOnMine';
import { PlaceActions } from '@/features/pins/PlaceActions';
import { PlacePicker } from '@/features/pins/PlacePicker';
import { EventTasks } from '@/features/preparation/EventTasks';
import { Linked } from './Linked';
import { Parties, TakingPart } from './Parties';
import { PassOn } from './PassOn';
import { Remarks } from '@/features/remarks/Remarks';
import { BringOthers } from '@/features/participants/BringOthers';
import { placeWords } from '@/features/participants/placeWords';
import { OwnReminders } from '@/features/reminders/OwnReminders';
import { following, type Scope } from './scope';

type Props = { event: Event; onEdit: (scope: Scope) => void; onClose: () => void };

const STATUS = { confirmed: null, provisional: 'provisional, not settled yet', cancelled: 'cancelled' } as const;

const LINKS = [
    { kind: 'conference', name: 'Meets at' },
    { kind: 'document', name: 'Papers' },
    { kind: 'image', name: 'Pictures' },
] as const;

/** All there is to know of an event. */
export function EventPanel({ event, onEdit, onClose }: Props) {
    const rota = useRota();
    const calendars = useCalendars();
    const { remove } = useEventActions();
    const { update } = useEventSaves();
    const [looking, setLooking] = useState(false);
    const [asking, setAsking] = useState<'change' | 'delete' | null>(null);
    const calendar = calendars.data?.find((each) => each.slug === event.calendar);
    // The same event in several files: the sheet shows it once, and it is said here where else it is.
    // Of what is out of the window it is not known here.
    const week = schoolWeekOf(byMonday(rota.sheet?.weeks), event.start.slice(0, 10));
    const responsible = event.participants.filter((each) => each.part === 'responsible');
    const also = (rota.sheet?.items.find((item) => item.id === event.id)?.also ?? [])
        .filter((slug) => slug !== event.calendar && !event.pins.some((each) => each.calendar === slug))
        .map((slug) => calendars.data?.find((each) => each.slug === slug)?.name ?? slug);
    const asked = rota.search.as === undefined ? event.answer : null;
    const series = event.repeat !== null && event.occurrence !== null;
    const drop = (scope: Scope) => {
        focusAfter(event.id);
        remove.mutate({ event, scope }, { onSuccess: () => rota.go({ event: undefined, occurrence: undefined }) });
    };
    const meeting = useQuery({ ...meetingsQuery, enabled: frameKey === null && event.links.some(({ kind }) => kind === 'conference') }).data?.find((each) => each.event === event.id && each.occurrence === event.occurrence);
    const targets = calendars.data?.filter((each) => each.mayAdd && each.slug !== event.calendar) ?? [];
    return (
        <article aria-labelledby="event-title">
            <div data-ink={calendar?.colour} className="flex items-center gap-2 border border-(--k) bg-[color-mix(in_srgb,var(--k)_9%,var(--sheet))] px-2 py-1.5 font-semibold text-(--k)">
                {calendar !== undefined && <Mark mark={calendar.mark} size={12} />}
                <span className="min-w-0 truncate">{calendar?.name ?? 'A calendar'}</span>
                <button type="button" onClick={onClose} className="-my-1 -mr-1 ml-auto grid size-6 shrink-0 place-items-center text-soft hover:text-ink pointer-coarse:-my-2 pointer-coarse:-mr-2.5 pointer-coarse:size-11" aria-label="Close the event">
                    <X size={16} />
                </button>
            </div>
            <h2 id="event-title" className="mt-3 text-[22px] font-semibold [overflow-wrap:anywhere]">
                {event.title}
            </h2>
            <p className="mt-0.5 text-soft">
                {formatWhen(event)}
                {event.timezone !== null && event.timezone !== rota.zone && ` (${event.timezone})`}
            </p>
            {week !== undefined && <p className="text-soft">{week.name}</p>}
            {event.timezone !== null && event.timezone !== rota.zone && (
                <p className="text-soft">
                    {formatInstants(event, rota.zone)} ({rota.zone}, as on this sheet)
                </p>
            )}
            {event.endThere !== null && (
                <p className="text-soft">
                    It ends at {event.endThere.slice(0, 10) !== event.end.slice(0, 10) && `${formatDate(event.endThere, 'short')}, `}
                    {timeOfDay(event.endThere)} in {event.endTimezone}
                </p>
            )}
            <div role="group" aria-label="What can be done with it" className="mt-2.5 flex flex-wrap gap-1.5 empty:hidden">
                {meeting !== undefined && <JoinLink meeting={meeting} />}
                {event.mayChange && (
                    <>
                        <Button look="primary" data-first onClick={() => (series ? setAsking('change') : onEdit(null))}>
                            Change
                        </Button>
                        {frameKey === null && event.mayDelete && (
                            <Button className="border-line" onClick={() => (series ? setAsking('delete') : drop(null))}>
                                Delete
                            </Button>
                        )}
                    </>
                )}
                {frameKey === null && <KeepOnMine event={event} />}
                {frameKey === null && <PlaceActions event={event} />}
                {frameKey === null && event.mayDelete && targets.length > 0 && <PlacePicker label="Move to…" name="Move to another calendar" calendars={targets} onChoose={(slug) => update.mutate({ event, scope: null, change: { calendar: slug } })} />}
                {event.mayDelete && (
                    <Button className="border-line" aria-expanded={looking} onClick={() => setLooking(!looking)}>
                        History
                    </Button>
                )}
                {rota.search.as === undefined && <PassOn event={event} />}
            </div>
            {event.mayDelete && looking && <EventHistory id={event.id} version={event.version} />}
            {event.busyOnly && (
                <p className="mt-3 border-l-[3px] border-line pl-2.5">
                    {calendar?.level === 'busy'
                        ? 'You see busy times of this calendar: when something is on, not what.'
                        : 'You see that the time is taken, not what for: the event is private.'}
                </p>
            )}
            {event.busyOnly && calendar?.level === 'busy' && (
                <div className="mt-2 flex flex-col items-start gap-2">
                    <AskForAccess calendar={calendar} />
                </div>
            )}
            <dl className="my-3 grid grid-cols-[78px_minmax(0,1fr)] gap-y-2 [overflow-wrap:anywhere]">
                <Fact name="Place">{event.place}</Fact>
                <Fact name="Responsible">{responsible.length > 0 && <Parties of={responsible} />}</Fact>
                <Fact name="Taking part">{responsible.length < event.participants.length && <TakingPart event={rota.search.as === undefined ? event : undefined} of={event.participants.filter((each) => each.part !== 'responsible')} />}</Fact>
                <Fact name="Places">{event.places !== null && placeWords(event)}</Fact>
                <Fact name="Bring">{event.mayBring && rota.search.as === undefined && <BringOthers event={event} />}</Fact>
                <Fact name="Organised by">{event.organiser !== null && event.participants.length > 0 && event.organiser.name !== event.addedBy && event.organiser.name}</Fact>
                <Fact name="You">{asked !== null && <Answer event={event} answer={asked} />}</Fact>
                <Fact name="Also on">{also.join(', ')}</Fact>
                <Fact name="Category">{event.categories.join(', ')}</Fact>
                <Fact name="State">{STATUS[event.status]}</Fact>
                <Fact name="On the way">{event.travel !== null && event.leave !== null && `${event.travel} minutes: leave at ${timeOfDay(event.leave)}${event.leave.slice(0, 10) === event.start.slice(0, 10) ? '' : ' the day before'}`}</Fact>
                <Fact name="Repeats">{event.repeat?.words}</Fact>
                <Fact name="Priority">{event.priority === 0 ? null : `${event.priority}${event.priority === 1 ? ', highest' : event.priority === 9 ? ', lowest' : ''}`}</Fact>
                <Fact name="Remind me">{!event.busyOnly && rota.search.as === undefined && frameKey === null && <OwnReminders event={event} />}</Fact>
                <Fact name="Follow">{!event.busyOnly && rota.search.as === undefined && frameKey === null && <FollowButton plain what={{ input: { kind: 'event', event: event.id }, name: event.title }} />}</Fact>
                <Fact name="Time is">{event.busyOnly || event.busy ? null : 'left free'}</Fact>
                <Fact name="Seen by">{event.private ? 'those who may change it; busy to others' : null}</Fact>
                <Fact name="Link">
                    {event.link !== '' && <Address to={event.link} label={event.link} />}
                </Fact>
                {LINKS.map(({ kind, name }) => ({ kind, name, links: event.links.filter((each) => each.kind === kind) })).map(({ kind, name, links }) => (
                    <Fact key={kind} name={name}>
                        {links.length > 0 && (
                            <ul>
                                {links.map((each) => (
                                    <li key={each.address}>
                                        <Address to={each.address} label={each.label} />
                                    </li>
                                ))}
                            </ul>
                        )}
                    </Fact>
                ))}
                <Fact name="About">{event.description !== '' && <Linked text={event.description} />}</Fact>
                <Fact name="Added by">{event.addedBy !== null && event.addedAt !== null && `${event.addedBy}, ${formatMoment(event.addedAt)}`}</Fact>
                <Fact name="Brought in">
                    {event.origin !== null && (
                        <span title={event.origin.said}>
                            {event.origin.fileName}, line {event.origin.line}, {formatMoment(event.origin.at)}
                        </span>
                    )}
                </Fact>
                <Fact name="Changed by">{event.changedAt !== event.addedAt && event.changedBy !== null && event.changedAt !== null && `${event.changedBy}, ${formatMoment(event.changedAt)}`}</Fact>
            </dl>
            {event.pinned && <p className="mb-3 text-soft italic">{event.answer === null ? 'It is pinned here' : 'You are asked to it'}; its own calendar is not open to you{event.mayChange ? '.' : ', and it is changed there.'}</p>}
            {calendar?.subscribed === true && <p className="mb-3 text-soft italic">It comes from outside and is changed there.</p>}
            <EventTasks event={event} />
            {event.remarks !== null && frameKey === null && <Remarks event={event} mayWrite={event.remarks && rota.search.as === undefined} />}
            <EventFiles event={event} />
            <EventPlaces event={event} />
            {asking !== null && (
                <SeriesQuestion
                    doing={asking}
                    id={event.id}
                    occurrence={event.occurrence}
                    title={asking === 'change' ? `Change “${event.title}”` : `Delete “${event.title}”`}
                    onClose={() => setAsking(null)}
                    onOne={() => (asking === 'change' ? onEdit(event.occurrence) : drop(event.occurrence))}
                    onFollowing={() => (asking === 'change' ? onEdit(following(event.occurrence ?? '')) : drop(following(event.occurrence ?? '')))}
                    onAll={() => (asking === 'change' ? onEdit(null) : drop(null))}
                />
            )}
        </article>
    );
}

function Address({ to, label }: { to: string; label: string }) {
    return (
        <a href={to} target="_blank" rel="noreferrer" className="underline [overflow-wrap:anywhere]">
            {label}
        </a>
    );
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
    if (children === null || children === undefined || children === '' || children === false) return null;
    return (
        <>
            <dt className="text-soft">{name}</dt>
            <dd>{children}</dd>
        </>
    );
}
