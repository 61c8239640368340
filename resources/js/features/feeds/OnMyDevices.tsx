import { Button } from '@/components/Button';
import { FeedRow } from './FeedRow';
import { useFeeds, usePersonalFeed, type FeedOf } from './useFeeds';

type Props = FeedOf & { /** What it is of is called so. */ name: string };

/** What one sees oneself, on one's own phone or computer: made with one click, and each link revoked alone. */
export function OnMyDevices({ of, slug, name }: Props) {
    const feeds = useFeeds();
    const make = usePersonalFeed({ of, slug });
    const own = feeds.data?.filter((each) => each.of === of && each.slug === slug && each.personal && each.mine) ?? [];
    return (
        <>
            {own.length > 0 && (
                <ul className="mb-2 border-t border-line" aria-label={`My links of ${name}`}>
                    {own.map((feed) => (
                        <FeedRow key={feed.id} feed={feed} />
                    ))}
                </ul>
            )}
            <Button disabled={make.isPending || feeds.isPending} onClick={() => make.mutate({ name: own.length === 0 ? `My devices: ${name}`.slice(0, 120) : `My devices: ${name}`.slice(0, 116) + ` (${own.length + 1})`, detail: 'full', weeksBack: 4 })}>
                {own.length === 0 ? 'Have it on my devices' : 'Another link'}
            </Button>
        </>
    );
}
