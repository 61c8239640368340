import { Link } from '@tanstack/react-router';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { LEVELS } from '@/api/generated/words';
import { useListActions } from '@/features/calendars/useListActions';
import type { Calendar } from '@/features/calendars/useCalendars';

/** A calendar in a list: what it is, what one may do with it, a look at it, and whether it is on one's own list. */
export function CalendarRow({ calendar }: { calendar: Calendar }) {
    const { put } = useListActions();
    return (
        <li className="flex flex-wrap items-center gap-x-3 border-b border-line">
            <Link to="/calendars/$slug" params={{ slug: calendar.slug }} className="flex min-w-52 flex-1 items-center gap-3 px-1.5 py-2 hover:bg-wash">
                <Mark mark={calendar.mark} ink={calendar.colour} size={15} />
                <span className="min-w-0 flex-1">
                    <b className="font-semibold">{calendar.name}</b>
                    <span className="block truncate text-soft">{calendar.description || `kept by ${calendar.keeper.name}`}</span>
                </span>
                {calendar.subscribed && <span className="border border-line px-1.5 text-xs text-soft">source</span>}
                <span className="w-36 text-right max-sm:w-24">
                    {LEVELS[calendar.level].name}
                    <span className="block truncate text-xs text-soft">{calendar.reasons[0]}</span>
                </span>
            </Link>
            <span className="flex items-center gap-2 max-sm:w-full max-sm:pb-2 max-sm:pl-9">
                <Link to="/" search={{ calendar: calendar.slug }} className="hit underline" aria-label={`Look at ${calendar.name}`}>
                    look
                </Link>
                {!calendar.archived && (
                    <Button
                        className="w-29"
                        look={calendar.onList ? 'quiet' : 'plain'}
                        onClick={() => put.mutate({ calendar, onList: !calendar.onList })}
                        aria-label={calendar.onList ? `Take ${calendar.name} off my list` : `Add ${calendar.name} to my list`}
                    >
                        {calendar.onList ? 'Take off' : 'Add to my list'}
                    </Button>
                )}
            </span>
        </li>
    );
}
