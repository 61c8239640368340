import { Link } from '@tanstack/react-router';
import { Mark } from '@/components/Mark';
import { FeedRow } from './FeedRow';
import type { Feed } from './useFeeds';

/** Feed links, by calendar. */
export function FeedsByCalendar({ feeds }: { feeds: readonly Feed[] }) {
    const calendars = new Map<string, Feed[]>();
    for (const feed of feeds) calendars.set(feed.calendar.slug, [...(calendars.get(feed.calendar.slug) ?? []), feed]);
    return [...calendars.values()].map((list) => {
        const calendar = list[0]?.calendar;
        if (calendar === undefined) return null;
        return (
            <section key={calendar.slug} className="mb-6">
                <h3 className="mb-2 flex items-center gap-2 font-semibold">
                    <Mark mark={calendar.mark} ink={calendar.colour} size={14} />
                    <Link to="/calendars/$slug" params={{ slug: calendar.slug }} className="hit hover:underline">
                        {calendar.name}
                    </Link>
                </h3>
                <ul className="border-t border-line" aria-label={`Feed links of ${calendar.name}`}>
                    {list.map((feed) => (
                        <FeedRow key={feed.id} feed={feed} />
                    ))}
                </ul>
            </section>
        );
    });
}
