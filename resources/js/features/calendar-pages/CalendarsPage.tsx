import { getRouteApi, Link } from '@tanstack/react-router';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { usePerson } from '@/features/session/useSession';
import { CalendarDialog } from '@/features/calendars/CalendarDialog';
import { CalendarDirectory } from './CalendarDirectory';
import { CalendarRow } from './CalendarRow';
import { useCalendars, type Calendar } from '@/features/calendars/useCalendars';

const route = getRouteApi('/calendars');
const TAB = 'hit justify-center border-b-[3px] px-1 pb-1.5 text-[15px] font-semibold';

/** The calendars on one's own list, and beside them the directory of all that one may see. */
export function CalendarsPage() {
    const { in: place } = route.useSearch();
    const [creating, setCreating] = useState(false);
    return (
        <Page
            title="Calendars"
            about="What is on your list is laid out for you every day. In the directory is everything that you may see; nothing has to be added by address."
            actions={
                <Button look="primary" onClick={() => setCreating(true)}>
                    <Plus size={15} aria-hidden="true" /> Make a calendar
                </Button>
            }
        >
            <nav aria-label="Which calendars" className="mb-5 flex gap-6 border-b border-line">
                <Link to="/calendars" search={{}} aria-current={place === undefined ? 'page' : undefined} className={`${TAB} ${place === undefined ? 'border-pin' : 'border-transparent text-soft'}`}>
                    My list
                </Link>
                <Link to="/calendars" search={{ in: 'directory' }} aria-current={place === 'directory' ? 'page' : undefined} className={`${TAB} ${place === 'directory' ? 'border-pin' : 'border-transparent text-soft'}`}>
                    Directory
                </Link>
            </nav>
            {place === 'directory' ? <CalendarDirectory /> : <OwnList onMake={() => setCreating(true)} />}
            <CalendarDialog open={creating} onOpenChange={setCreating} calendar={null} />
        </Page>
    );
}

function OwnList({ onMake }: { onMake: () => void }) {
    const calendars = useCalendars();
    const person = usePerson();
    if (calendars.isPending) return <Loading what="calendars" />;
    if (calendars.isError) return <Failed error={calendars.error} retry={() => void calendars.refetch()} />;
    const listed = calendars.data.filter((each) => each.onList);
    const own = listed.filter((each) => each.keeper.kind === 'person' && each.keeper.id === person.id);
    const managed = listed.filter((each) => each.level === 'manage' && !own.includes(each));
    const others = listed.filter((each) => each.level !== 'manage');
    const off = calendars.data.filter((each) => !each.onList && !each.archived).length;
    return (
        <>
            {listed.length === 0 && (
                <Empty
                    title="No calendar on your list yet"
                    action={
                        <Button look="primary" onClick={onMake}>
                            Make the first calendar
                        </Button>
                    }
                >
                    A calendar is where events are put; it is yours alone until you share it.
                    {off > 0 && ` ${off === 1 ? 'One' : off} more can be added from the directory.`}
                </Empty>
            )}
            <Group title="Kept by you" calendars={own} />
            <Group title="Looked after by you with others" calendars={managed} />
            <Group title="Shared with you" calendars={others} />
            {listed.length > 0 && off > 0 && (
                <p className="text-soft">
                    {off === 1 ? 'One more calendar is' : `${off} more calendars are`} in the{' '}
                    <Link to="/calendars" search={{ in: 'directory' }} className="underline">
                        directory
                    </Link>
                    .
                </p>
            )}
        </>
    );
}

function Group({ title, calendars }: { title: string; calendars: Calendar[] }) {
    if (calendars.length === 0) return null;
    return (
        <Section title={title}>
            <ul className="border-t border-line">
                {calendars.map((each) => (
                    <CalendarRow key={each.slug} calendar={each} />
                ))}
            </ul>
        </Section>
    );
}
