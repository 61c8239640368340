import { Link } from '@tanstack/react-router';
import { PACES } from '@/api/generated/words';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { formatMoment } from '@/time/dates';
import { useReading, type Notice } from './notices';

type Line = Notice['lines'][number];

/** What changed, as one is told of it: each can be looked at, and is read then. */
export function Notices({ notices, label }: { notices: readonly Notice[]; label: string }) {
    return (
        <ul className="border-t border-line" aria-label={label}>
            {notices.map((notice) => (
                <NoticeRow key={notice.id} notice={notice} />
            ))}
        </ul>
    );
}

function NoticeRow({ notice }: { notice: Notice }) {
    const { one } = useReading();
    const read = () => {
        if (!notice.read) one.mutate({ notice, read: true });
    };
    return (
        <li className="flex flex-wrap items-start gap-3 border-b border-line py-2.5">
            <div className="min-w-60 flex-1">
                <ul>
                    {notice.lines.map((line) => (
                        <li key={line.words} className="flex items-baseline gap-2.5 py-0.5">
                            {line.calendar !== null && <Mark mark={line.calendar.mark} ink={line.calendar.colour} size={12} />}
                            <LineLink line={line} isRead={notice.read} onLook={read} />
                        </li>
                    ))}
                </ul>
                <p className="mt-0.5 text-soft">
                    {formatMoment(notice.at)}
                    {notice.pace !== 'now' && `, ${PACES[notice.pace]}`}
                </p>
            </div>
            <Button look="quiet" aria-label={`${notice.read ? 'Not read' : 'Read'}: ${notice.lines[0]?.words ?? ''}`} onClick={() => one.mutate({ notice, read: !notice.read })}>
                {notice.read ? 'Not read' : 'Read'}
            </Button>
        </li>
    );
}

function LineLink({ line, isRead, onLook }: { line: Line; isRead: boolean; onLook: () => void }) {
    return (
        <Link
            to="/"
            search={{ ...(line.calendar !== null && { calendar: line.calendar.slug }), ...(line.date !== null && { date: line.date }), ...(line.event !== null && { event: line.event }), ...(line.occurrence !== null && { occurrence: line.occurrence }) }}
            onClick={onLook}
            className={`hit hover:underline ${isRead ? '' : 'font-semibold'}`}
        >
            {line.words}
        </Link>
    );
}
