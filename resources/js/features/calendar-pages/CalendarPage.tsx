import { getRouteApi, Link, useNavigate } from '@tanstack/react-router';
import { ArrowLeft } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { InkPicker } from '@/components/InkPicker';
import { Mark } from '@/components/Mark';
import { CalendarPins } from '@/features/pins/CalendarPins';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { AskForAccess } from '@/features/sharing/AskForAccess';
import { LEVELS } from '@/api/generated/words';
import { ReasonsPanel } from '@/features/sharing/ReasonsPanel';
import { SharingPanel } from '@/features/sharing/SharingPanel';
import { useManagers } from '@/features/sharing/useAccess';
import { LogList } from '@/features/changelog/LogList';
import { CalendarFile } from '@/features/feeds/CalendarFile';
import { FeedLinks } from '@/features/feeds/FeedLinks';
import { FollowButton } from '@/features/following/FollowButton';
import { OnMyDevices } from '@/features/feeds/OnMyDevices';
import { PagesOf } from '@/features/publishing/PagesOf';
import { DeletedEvents } from '@/features/history/DeletedEvents';
import { ImportPanel } from '@/features/imports/ImportPanel';
import { ImportsList } from '@/features/imports/ImportsList';
import { CalendarDialog } from '@/features/calendars/CalendarDialog';
import { CategoriesPanel } from '@/features/calendars/CategoriesPanel';
import { SourcesOnCalendar } from '@/features/sources/SourcesOnCalendar';
import { HandOverDialog } from './HandOverDialog';
import { useCalendarActions, useCalendars } from '@/features/calendars/useCalendars';
import { useListActions } from '@/features/calendars/useListActions';

const route = getRouteApi('/calendars/$slug');

/** One calendar: its settings, who may see it, how it is published, what is brought into it. */
export function CalendarPage() {
    const { slug } = route.useParams();
    const navigate = useNavigate();
    const calendars = useCalendars();
    const { put: list, look, leave } = useListActions();
    const managers = useManagers(slug, calendars.data?.some((each) => each.slug === slug) === true);
    const { remove, archive } = useCalendarActions();
    const [editing, setEditing] = useState(false);
    const [handing, setHanding] = useState(false);
    if (calendars.isPending) return <Loading what="the calendar" />;
    if (calendars.isError) return <Failed error={calendars.error} retry={() => void calendars.refetch()} />;
    const calendar = calendars.data.find((each) => each.slug === slug);
    if (calendar === undefined) {
        return (
            <div className="p-8">
                <Empty title="There is no such calendar for you">
                    It may have been deleted, or it is not shared with you (any more).{' '}
                    <Link to="/calendars" className="underline">
                        All calendars
                    </Link>
                </Empty>
            </div>
        );
    }
    const manages = calendar.level === 'manage';
    const edits = manages || calendar.level === 'change';
    return (
        <Page
            title={calendar.name}
            about={calendar.description}
            actions={
                manages && (
                    <>
                        <Button onClick={() => setEditing(true)}>Settings</Button>
                        {!calendar.own && (
                            <>
                                <Button onClick={() => setHanding(true)}>Hand over</Button>
                                <Button onClick={() => archive.mutate({ calendar, archived: !calendar.archived })}>{calendar.archived ? 'Bring back' : 'Archive'}</Button>
                                <Button look="danger" onClick={() => remove.mutate(calendar, { onSuccess: () => void navigate({ to: '/calendars' }) })}>
                                    Delete
                                </Button>
                            </>
                        )}
                    </>
                )
            }
        >
            <div className="mb-6 flex flex-wrap items-center gap-x-5 gap-y-1">
                <Link to="/calendars" className="hit flex items-center gap-1 text-soft hover:text-ink hover:underline">
                    <ArrowLeft size={14} aria-hidden="true" /> All calendars
                </Link>
                <span className="flex items-center gap-2">
                    <Mark mark={calendar.mark} ink={calendar.colour} size={14} /> kept by {calendar.keeper.name}
                </span>
                <span className="text-soft">{calendar.timezone}</span>
                {calendar.archived && <span className="border border-line px-1.5 text-xs">archived</span>}
                <Link to="/" search={{ calendar: calendar.slug }} className="hit ml-auto underline">
                    Look at it
                </Link>
            </div>
            {manages && (
                <Section title="Publish" about="A page for people without an account, or a feed link of its own for one reader or one place, kept secret by whoever has it. Each can be taken back alone.">
                    <PagesOf of="calendar" slug={calendar.slug} name={calendar.name} />
                    <FeedLinks of="calendar" slug={calendar.slug} />
                </Section>
            )}
            {edits && !calendar.subscribed && !calendar.archived && (
                <Section title="Bring in" about="A calendar file (.ics), a spreadsheet or a table, a document, a page or a text with dates in it, or what you paste. You see what it would add, and put it right, before anything is changed.">
                    <ImportPanel calendar={calendar} onAddress={(address) => void navigate({ to: '/sources', search: { address, into: calendar.slug } })} />
                    <ImportsList calendar={calendar} />
                </Section>
            )}
            <Section title="What you may do" about={`${LEVELS[calendar.level].name}: ${LEVELS[calendar.level].does}.`}>
                <ul className="list-inside list-disc text-soft">
                    {calendar.reasons.map((reason) => (
                        <li key={reason}>{reason}</li>
                    ))}
                </ul>
                <div className="mt-3 flex flex-wrap items-center gap-3">
                    {!calendar.archived && (
                        <Button onClick={() => list.mutate({ calendar, onList: !calendar.onList })}>{calendar.onList ? 'Take off my list' : 'Add to my list'}</Button>
                    )}
                    {calendar.level !== 'busy' && <FollowButton what={{ input: { kind: 'calendar', calendar: calendar.slug }, name: calendar.name, suggested: calendar.suggestedPace }} />}
                    {calendar.level !== 'change' && !manages && <AskForAccess calendar={calendar} />}
                    {managers.data?.leaves === true && <Button onClick={() => leave.mutate(calendar, { onSuccess: () => void navigate({ to: '/calendars' }) })}>Give up my access</Button>}
                </div>
            </Section>
            <Section title="How you see it" about="A colour and a mark for yourself, where a calendar has a layer of its own. Nothing changes for others.">
                <InkPicker ink={calendar.colour} mark={calendar.mark} onChange={(colour, mark) => look.mutate({ calendar, colour, mark })} />
                {(calendar.colour !== calendar.givenColour || calendar.mark !== calendar.givenMark) && (
                    <Button className="mt-2" onClick={() => look.mutate({ calendar, colour: null, mark: null })}>
                        As it has been given <Mark mark={calendar.givenMark} ink={calendar.givenColour} size={12} />
                    </Button>
                )}
            </Section>
            {manages && (
                <Section title="Shared with" about="The highest level that applies to somebody holds.">
                    <SharingPanel calendar={calendar} />
                </Section>
            )}
            {manages && (
                <Section title="Who sees what, and why" about="Of any person: the level they have, and by what.">
                    <ReasonsPanel calendar={calendar} />
                </Section>
            )}
            {manages && (
                <Section title="Categories">
                    <CategoriesPanel calendar={calendar} />
                </Section>
            )}
            {edits && (
                <Section title="Pinned here" about="Events that are kept elsewhere and show here. A pin shows no more than whoever pinned it may see.">
                    <SourcesOnCalendar slug={calendar.slug} name={calendar.name} />
                    <CalendarPins slug={calendar.slug} name={calendar.name} />
                </Section>
            )}
            <Section title="On my devices" about="It stays up to date in the calendar of your phone or computer, with what you may see at that moment.">
                <OnMyDevices of="calendar" slug={calendar.slug} name={calendar.name} />
            </Section>
            <Section title="Take it as a file" about="An iCalendar file (.ics) of all its events as you see them today. A feed link stays up to date; a file does not.">
                <CalendarFile calendar={calendar} />
            </Section>
            {edits && !calendar.subscribed && (
                <Section title="Deleted events" about="What was deleted in the last 90 days, to be brought back.">
                    <DeletedEvents slug={calendar.slug} />
                </Section>
            )}
            {manages && (
                <Section title="Change log" about="Who changed what of access and settings. What can be taken back is taken back from here.">
                    <LogList of={{ kind: 'calendar', slug: calendar.slug }} />
                </Section>
            )}
            {handing && <HandOverDialog calendar={calendar} onClose={() => setHanding(false)} />}
            <CalendarDialog open={editing} onOpenChange={setEditing} calendar={calendar} />
        </Page>
    );
}
