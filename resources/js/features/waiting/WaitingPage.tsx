import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState, type ReactNode } from 'react';
import type { Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { buttonLook } from '@/components/buttonLook';
import { Mark } from '@/components/Mark';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { LEVELS } from '@/api/generated/words';
import { GIVABLE } from '@/features/access/levels';
import { LevelSelect } from '@/features/access/LevelSelect';
import { FirstStepsEntry } from '@/features/first-steps/FirstStepsEntry';
import { useOpenSteps } from '@/features/first-steps/useFirstSteps';
import { JobsList } from '@/features/jobs/JobsList';
import { jobsQuery } from '@/features/jobs/jobs';
import { JoinNotice } from '@/features/meetings/JoinNotice';
import { formatMoment } from '@/time/dates';
import { AskedEvents } from './AskedEvents';
import { Done } from './Done';
import { Notices } from './Notices';
import { noticesQuery, useReading } from './notices';
import { Replies } from './Replies';
import { SourcesWaiting } from './SourcesWaiting';
import { useLookAtShared } from './useLookAtShared';
import { useWaiting, useWaitingActions } from './useWaiting';

/** What waits for the person who is signed in. */
export function WaitingPage() {
    const waiting = useWaiting();
    const { answer, seen } = useWaitingActions();
    const look = useLookAtShared();
    const jobs = useQuery(jobsQuery).data ?? [];
    const steps = useOpenSteps().length;
    const notices = useQuery(noticesQuery).data ?? [];
    const unread = notices.filter(({ read }) => !read);
    const reading = useReading();
    if (waiting.isError) return <Failed error={waiting.error} retry={() => void waiting.refetch()} />;
    if (waiting.data === undefined) return <Loading what="what waits for you" />;
    const { asked, answered, replies, invitations, requests, answers, sources } = waiting.data;
    return (
        <Page title="For you" about="What you are asked to take part in, what changed with what you follow, what others ask of you, and your own long work." actions={
                <Link to="/following" className={buttonLook()}>
                    What you follow
                </Link>
            }>
            <JoinNotice />
            <FirstStepsEntry />
            {asked.length + replies.length + invitations.length + requests.length + answers.length + sources.length + jobs.length + unread.length + steps === 0 && (
                <Empty title="Nothing waits for you">
                    Find more calendars in the{' '}
                    <Link to="/calendars" search={{ in: 'directory' }} className="underline">
                        directory
                    </Link>
                    .
                </Empty>
            )}
            {asked.length > 0 && <AskedEvents asked={asked} />}
            {sources.length > 0 && <SourcesWaiting sources={sources} />}
            {unread.length > 0 && (
                <Section title="Changed" about="With what you follow, or take part in.">
                    {unread.length > 1 && (
                        <Button className="mb-2" disabled={reading.all.isPending} onClick={() => reading.all.mutate()}>
                            I have read all
                        </Button>
                    )}
                    <Notices notices={unread} label="What changed" />
                </Section>
            )}
            {replies.length > 0 && <Replies replies={replies} />}
            {jobs.length > 0 && (
                <Section title="Your long work">
                    <JobsList />
                </Section>
            )}
            {requests.length > 0 && (
                <Section title="Asked of you">
                    <ul className="border-t border-line">
                        {requests.map((request) => (
                            <RequestRow key={request.id} request={request} />
                        ))}
                    </ul>
                </Section>
            )}
            {invitations.length > 0 && (
                <Section title="Shared with you" about="You have access already. Say whether you want them on your list.">
                    <ul className="border-t border-line">
                        {invitations.map((invitation) => (
                            <Row key={invitation.id} calendar={invitation.calendar} actions={
                                <>
                                    <Button onClick={() => answer.mutate({ invitation, accepted: false })} aria-label={`Decline ${invitation.calendar.name}`}>
                                        Decline
                                    </Button>
                                    <Button onClick={() => answer.mutate({ invitation, accepted: true })} aria-label={`Add ${invitation.calendar.name} to my list`}>
                                        Add to my list
                                    </Button>
                                    <Button look="primary" disabled={look.isPending} onClick={() => look.mutate(invitation)} aria-label={`Look at it now: ${invitation.calendar.name}`}>
                                        Look at it now
                                    </Button>
                                </>
                            }>
                                <b>{invitation.by}</b> shares <b>{invitation.calendar.name}</b> with you. You can {invitation.means}.
                                <span className="block text-soft">{formatMoment(invitation.at)}</span>
                            </Row>
                        ))}
                    </ul>
                </Section>
            )}
            {answers.length > 0 && (
                <Section title="What you asked for">
                    <ul className="border-t border-line">
                        {answers.map((each) => (
                            <Row key={each.id} calendar={each.calendar} actions={<Button onClick={() => seen.mutate(each.id)}>Seen</Button>}>
                                <b>{each.by}</b> {each.level === 'none' ? 'has declined' : `has given you “${LEVELS[each.level].name}” on`} <b>{each.calendar.name}</b>.<span className="block text-soft">{formatMoment(each.at)}</span>
                            </Row>
                        ))}
                    </ul>
                </Section>
            )}
            <Done answered={answered} notices={notices.filter(({ read }) => read)} />
        </Page>
    );
}

function RequestRow({ request }: { request: Schemas['RequestWaiting'] }) {
    const { decide } = useWaitingActions();
    const [level, setLevel] = useState(request.level);
    return (
        <Row calendar={request.calendar} actions={
            <>
                <LevelSelect label={`Level for ${request.by}`} hidden levels={GIVABLE} value={level} onChange={setLevel} />
                <Button disabled={decide.isPending} onClick={() => decide.mutate({ request, level: 'none' })} aria-label={`Decline what ${request.by} asks`}>
                    Decline
                </Button>
                <Button look="primary" disabled={decide.isPending} onClick={() => decide.mutate({ request, level })} aria-label={`Grant ${request.by} what they ask`}>
                    Grant
                </Button>
            </>
        }>
            <b>{request.by}</b>, {request.post || 'no post'}, asks for “{LEVELS[request.level].name}” on <b>{request.calendar.name}</b>.
            {request.message !== '' && <q className="block italic [overflow-wrap:anywhere]">{request.message}</q>}
            <span className="block text-soft">{formatMoment(request.at)}</span>
        </Row>
    );
}

function Row({ calendar, actions, children }: { calendar: Schemas['CalendarName']; actions: ReactNode; children: ReactNode }) {
    return (
        <li className="flex flex-wrap items-center gap-3 border-b border-line py-2.5">
            <Link to="/" search={{ calendar: calendar.slug }} aria-label={`Look at ${calendar.name}`}>
                <Mark mark={calendar.mark} ink={calendar.colour} size={18} />
            </Link>
            <div className="min-w-60 flex-1">{children}</div>
            <div className="flex items-center gap-2">{actions}</div>
        </li>
    );
}
