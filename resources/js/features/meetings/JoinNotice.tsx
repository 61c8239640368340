import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { timeOfDay } from '@/time/dates';
import { JoinLink } from './JoinLink';
import { meetingsQuery } from './meetings';

/** What one takes part in that meets online now, or within ten minutes: one click from joining it. */
export function JoinNotice() {
    const mine = useQuery(meetingsQuery).data?.filter((each) => each.mine) ?? [];
    if (mine.length === 0) return null;
    return (
        <ul aria-label="Meeting online now" className="border-b border-line bg-wash text-[13px]">
            {mine.map((meeting) => (
                <li key={`${meeting.event} ${meeting.occurrence ?? ''}`} className="flex flex-wrap items-center gap-x-3 gap-y-1.5 px-4 py-1.5">
                    <p className="min-w-0 flex-1">
                        <Link to="/" search={{ calendar: meeting.calendar, date: meeting.start.slice(0, 10), event: meeting.event, ...(meeting.occurrence === null ? {} : { occurrence: meeting.occurrence }) }} className="hit font-semibold hover:underline">
                            {meeting.title}
                        </Link>
                        , {timeOfDay(meeting.start)}, online
                    </p>
                    <JoinLink meeting={meeting} />
                </li>
            ))}
        </ul>
    );
}
