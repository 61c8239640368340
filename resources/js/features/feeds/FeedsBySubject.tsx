import { Link } from '@tanstack/react-router';
import { FeedRow } from './FeedRow';
import type { Feed } from './useFeeds';

/** Feed links, by what they are of. */
export function FeedsBySubject({ feeds }: { feeds: readonly Feed[] }) {
    const subjects = new Map<string, Feed[]>();
    for (const feed of feeds) subjects.set(`${feed.of} ${feed.slug}`, [...(subjects.get(`${feed.of} ${feed.slug}`) ?? []), feed]);
    return [...subjects.entries()].map(([key, list]) => {
        const first = list[0];
        if (first === undefined) return null;
        return (
            <section key={key} className="mb-6">
                <h3 className="mb-2 font-semibold">
                    {first.of === 'calendar' && (
                        <Link to="/calendars/$slug" params={{ slug: first.slug }} className="hit hover:underline">
                            {first.ofName}
                        </Link>
                    )}
                    {first.of === 'overlay' && (
                        <Link to="/" search={{ overlay: first.slug }} className="hit hover:underline">
                            {first.ofName}
                        </Link>
                    )}
                    {first.of === 'list' && first.ofName}
                </h3>
                <ul className="border-t border-line" aria-label={`Feed links of ${first.ofName}`}>
                    {list.map((feed) => (
                        <FeedRow key={feed.id} feed={feed} />
                    ))}
                </ul>
            </section>
        );
    });
}
