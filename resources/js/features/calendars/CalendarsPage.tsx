import { Link } from '@tanstack/react-router';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { TextField } from '@/components/Field';
import { Mark } from '@/components/Mark';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { LEVELS } from '@/features/access/levels';
import { usePerson } from '@/features/session/useSession';
import { CalendarDialog } from './CalendarDialog';
import { useCalendars, type Calendar } from './useCalendars';

/** Every calendar one may see: those one manages, then what others share. */
export function CalendarsPage() {
    const calendars = useCalendars();
    const person = usePerson();
    const [creating, setCreating] = useState(false);
    const [words, setWords] = useState('');
    if (calendars.isPending) return <Loading what="calendars" />;
    if (calendars.isError) return <Failed error={calendars.error} retry={() => void calendars.refetch()} />;
    const sought = words.trim().toLowerCase();
    const found = calendars.data.filter((each) => `${each.name} ${each.keeper.name}`.toLowerCase().includes(sought));
    const own = found.filter((each) => each.keeper.kind === 'person' && each.keeper.id === person.id);
    const managed = found.filter((each) => each.level === 'manage' && !own.includes(each));
    const shared = found.filter((each) => each.level !== 'manage');
    return (
        <Page
            title="Calendars"
            about="What you keep, what you look after with others, and what is shared with you. Nothing has to be added by address: it is here as soon as it is shared."
            actions={
                <Button look="primary" onClick={() => setCreating(true)}>
                    <Plus size={15} aria-hidden="true" /> Make a calendar
                </Button>
            }
        >
            {calendars.data.length === 0 ? (
                <Empty title="No calendar yet">
                    Make the first one. It is yours alone until you share it.
                </Empty>
            ) : (
                <>
                    <TextField label="Find by name or keeper" type="search" fieldClassName="mb-6 max-w-72" value={words} onChange={(event) => setWords(event.target.value)} />
                    {found.length === 0 && <p className="text-soft">No calendar that you may see is called that.</p>}
                    <Group title="Kept by you" calendars={own} />
                    <Group title="Looked after by you with others" calendars={managed} />
                    <Group title="Shared with you" calendars={shared} />
                </>
            )}
            <CalendarDialog open={creating} onOpenChange={setCreating} calendar={null} />
        </Page>
    );
}

function Group({ title, calendars }: { title: string; calendars: Calendar[] }) {
    if (calendars.length === 0) return null;
    return (
        <Section title={title}>
            <ul className="border-t border-line">
                {calendars.map((each) => (
                    <li key={each.slug} className="border-b border-line">
                        <Link to="/calendars/$slug" params={{ slug: each.slug }} className="flex items-center gap-3 px-1.5 py-2 hover:bg-wash">
                            <Mark mark={each.mark} ink={each.colour} size={15} />
                            <span className="min-w-0 flex-1">
                                <b className="font-semibold">{each.name}</b>
                                <span className="block truncate text-soft">{each.description || `kept by ${each.keeper.name}`}</span>
                            </span>
                            {each.subscribed && <span className="border border-line px-1.5 text-xs text-soft">source</span>}
                            <span className="w-36 text-right">
                                {LEVELS[each.level].name}
                                <span className="block truncate text-xs text-soft">{each.reasons[0]}</span>
                            </span>
                        </Link>
                    </li>
                ))}
            </ul>
        </Section>
    );
}
