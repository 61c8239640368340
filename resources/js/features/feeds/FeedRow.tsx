import { useState } from 'react';
import { Button } from '@/components/Button';
import { formatMoment } from '@/time/dates';
import { useFeedActions, type Feed } from './useFeeds';

export function FeedRow({ feed }: { feed: Feed }) {
    const { revoke } = useFeedActions();
    const [asking, setAsking] = useState(false);
    return (
        <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-2">
            <span className="min-w-40 flex-1">
                <b className="font-semibold">{feed.name}</b>
                <span className="block text-soft">
                    {feed.detail === 'busy' ? 'busy times' : 'everything'} · made by {feed.madeBy}, {formatMoment(feed.madeAt)}
                </span>
            </span>
            <span className="text-soft">{feed.lastFetchedAt === null ? 'not fetched yet' : `last fetched ${formatMoment(feed.lastFetchedAt)}`}</span>
            {asking ? (
                <span className="flex items-center gap-1.5">
                    It stops working for good.
                    <Button look="danger" onClick={() => revoke.mutate(feed)} autoFocus>
                        Revoke it
                    </Button>
                    <Button look="quiet" onClick={() => setAsking(false)}>
                        Cancel
                    </Button>
                </span>
            ) : (
                <Button onClick={() => setAsking(true)} aria-label={`Revoke the link for ${feed.name}`}>
                    Revoke
                </Button>
            )}
        </li>
    );
}
