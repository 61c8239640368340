import { Link } from '@tanstack/react-router';
import { Mark } from '@/components/Mark';
import { Page } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { FeedRow } from './FeedRow';
import { useFeeds, type Feed } from './useFeeds';

/** Every feed link that one has made or looks after, by calendar. */
export function FeedsPage() {
    const feeds = useFeeds();
    if (feeds.isPending) return <Loading what="feed links" />;
    if (feeds.isError) return <Failed error={feeds.error} retry={() => void feeds.refetch()} />;
    const calendars = new Map<string, Feed[]>();
    for (const feed of feeds.data) calendars.set(feed.calendar.slug, [...(calendars.get(feed.calendar.slug) ?? []), feed]);
    return (
        <Page title="Feeds" about="Who reads your calendars from outside, and when they last did. A link gives what the one who made it may see at that moment, never more.">
            {calendars.size === 0 ? (
                <Empty title="Nothing is published yet">
                    Open a calendar that you manage and make a link for a reader or a place.{' '}
                    <Link to="/calendars" className="underline">
                        Your calendars
                    </Link>
                </Empty>
            ) : (
                [...calendars.values()].map((list) => {
                    const calendar = list[0]?.calendar;
                    if (calendar === undefined) return null;
                    return (
                        <section key={calendar.slug} className="mb-8">
                            <h2 className="mb-2 flex items-center gap-2 text-base font-semibold">
                                <Mark mark={calendar.mark} ink={calendar.colour} size={14} />
                                <Link to="/calendars/$slug" params={{ slug: calendar.slug }} className="hit hover:underline">
                                    {calendar.name}
                                </Link>
                            </h2>
                            <ul className="border-t border-line" aria-label={`Feed links of ${calendar.name}`}>
                                {list.map((feed) => (
                                    <FeedRow key={feed.id} feed={feed} />
                                ))}
                            </ul>
                        </section>
                    );
                })
            )}
        </Page>
    );
}
