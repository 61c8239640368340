import { Link } from '@tanstack/react-router';
import { Eye } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { useListActions } from '@/features/calendars/useListActions';
import { useCalendars, type Calendar } from '@/features/calendars/useCalendars';
import { useRota } from '@/features/sheet/RotaContext';
import { AskForAccess } from './AskForAccess';
import { LEVELS } from '@/api/generated/words';
import { useReach } from './useAccess';

/** Above the sheet of a single calendar: what one looks at, with whose eyes, and what can be done about it. */
export function CalendarNotice() {
    const { search } = useRota();
    const calendars = useCalendars();
    const calendar = calendars.data?.find((each) => each.slug === search.calendar);
    if (calendar === undefined) return null;
    return search.as === undefined ? <OwnLook calendar={calendar} /> : <LookAs calendar={calendar} person={search.as} />;
}

function LookAs({ calendar, person }: { calendar: Calendar; person: number }) {
    const reach = useReach(calendar.slug, '', person);
    const found = reach.data?.people.find((each) => each.id === person);
    return (
        <Bar framed>
            <Eye size={17} aria-hidden="true" />
            <p className="min-w-0 flex-1">
                You see “{calendar.name}” as <b>{found?.name ?? 'somebody else'}</b> does{found === undefined ? '' : `, with ${LEVELS[found.level].name}`}. Nothing can be changed here.
            </p>
            <Link to="/calendars/$slug" params={{ slug: calendar.slug }} className="hit border border-current px-2.5 py-1 font-semibold">
                Back to your own eyes
            </Link>
        </Bar>
    );
}

function OwnLook({ calendar }: { calendar: Calendar }) {
    const { put } = useListActions();
    return (
        <Bar>
            <Mark mark={calendar.mark} ink={calendar.colour} size={14} />
            <p className="min-w-0 flex-1">
                {calendar.level === 'busy' ? (
                    <>
                        You see <b>busy times</b> of “{calendar.name}”: when something is on, not what.
                    </>
                ) : (
                    <>
                        “{calendar.name}”, kept by {calendar.keeper.name}{calendar.archived ? ', archived' : ''}. {LEVELS[calendar.level].name}: {LEVELS[calendar.level].does}.
                    </>
                )}
            </p>
            {calendar.level === 'busy' && <AskForAccess calendar={calendar} />}
            {!calendar.archived && (
                <Button look={calendar.onList ? 'plain' : 'primary'} disabled={put.isPending} onClick={() => put.mutate({ calendar, onList: !calendar.onList })}>
                    {calendar.onList ? 'Take off my list' : 'Add to my list'}
                </Button>
            )}
            <Link to="/calendars/$slug" params={{ slug: calendar.slug }} className="hit underline">
                About it
            </Link>
        </Bar>
    );
}

function Bar({ children, framed = false }: { children: ReactNode; framed?: boolean }) {
    return (
        <div role="status" aria-label="What you look at" className={`flex flex-wrap items-center gap-x-3 gap-y-1.5 border-b px-4 py-2 text-[13px] ${framed ? 'border-ink bg-ink text-paper' : 'border-line bg-wash'}`}>
            {children}
        </div>
    );
}
