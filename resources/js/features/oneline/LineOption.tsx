import { CalendarPlus } from 'lucide-react';
import { Mark } from '@/components/Mark';
import type { Calendar } from '@/features/calendars/useCalendars';
import { formatWhen } from '@/time/dates';
import { isBlocked, type UnderstoodLine } from './useLine';

type Props = { line: UnderstoodLine; calendar: Calendar | undefined };

/** What a line was understood as, before anything is added: what, on which calendar, and when. */
export function LineOption({ line, calendar }: Props) {
    return (
        <div className="min-w-0 flex-1">
            <p className="flex items-center gap-2">
                <CalendarPlus size={14} aria-hidden="true" className="shrink-0" />
                <b className="min-w-0 flex-1 truncate font-semibold">{line.title === '' ? 'No title yet: say what it is' : line.title}</b>
                {calendar !== undefined && (
                    <span data-ink={calendar.colour} className="flex shrink-0 items-center gap-1 border border-(--k) px-1.5 text-(--k)">
                        <Mark mark={calendar.mark} size={10} /> {calendar.name}
                    </span>
                )}
            </p>
            <p className="text-soft">
                {line.start === null || line.end === null ? whyNoDay(line) : formatWhen({ start: line.start, end: line.end, allDay: line.allDay })}
                {line.repeat !== null && `, ${line.repeat.words}`}
                {line.status === 'provisional' && ', provisional'}
                {line.private && ', private'}
            </p>
            {line.span !== null && (
                <p>
                    {line.span === 'eachDay' ? 'One time on each of the days.' : 'One event from the first to the last.'} <kbd className="border border-line px-1 font-sans text-[11px]">F4</kbd> makes it {line.span === 'eachDay' ? 'one long event' : 'one on each day'}.
                </p>
            )}
            <p className="mt-1 text-[11px] text-soft">Enter adds it · Shift and Enter opens the form · F2 takes another calendar</p>
        </div>
    );
}

function whyNoDay(line: UnderstoodLine): string {
    return isBlocked(line) ? 'Not added before it is clear when it is.' : 'no day yet: it opens in the form';
}
