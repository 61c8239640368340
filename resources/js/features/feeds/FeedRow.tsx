import { useState } from 'react';
import { Button } from '@/components/Button';
import { formatMoment } from '@/time/dates';
import { FeedAddress } from './FeedAddress';
import { FeedDialog } from './FeedDialog';
import { useRevocation, type Feed } from './useFeeds';
import { feedWords } from './words';

/** A feed link: what it gives, who reads it, and its address where one has made it oneself. */
export function FeedRow({ feed }: { feed: Feed }) {
    const revoke = useRevocation(feed);
    const [asking, setAsking] = useState<'change' | 'revoke' | null>(null);
    const fetched = feed.lastFetchedAt === null ? 'not fetched yet' : `last fetched ${formatMoment(feed.lastFetchedAt)}${feed.fetchedBy === null ? '' : `, by ${feed.fetchedBy}`}`;
    return (
        <li className="border-b border-line py-2">
            <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                <span className="min-w-40 flex-1">
                    <b className="font-semibold">{feed.name}</b>
                    <span className="block text-soft">
                        {feedWords(feed)} · made by {feed.madeBy}
                        {feed.personal && !feed.mine && ' for themselves'}, {formatMoment(feed.madeAt)}
                    </span>
                </span>
                <span className="text-soft">{fetched}</span>
                {asking === 'revoke' ? (
                    <span className="flex items-center gap-1.5">
                        It stops working for good.
                        <Button look="danger" onClick={() => revoke.mutate()} disabled={revoke.isPending} autoFocus>
                            Revoke it
                        </Button>
                        <Button look="quiet" onClick={() => setAsking(null)}>
                            Cancel
                        </Button>
                    </span>
                ) : (
                    <span className="flex gap-1.5">
                        {feed.mine && (
                            <Button onClick={() => setAsking('change')} aria-label={`Change the link for ${feed.name}`}>
                                Change
                            </Button>
                        )}
                        <Button onClick={() => setAsking('revoke')} aria-label={`Revoke the link for ${feed.name}`}>
                            Revoke
                        </Button>
                    </span>
                )}
            </div>
            {feed.url !== null && <FeedAddress url={feed.url} name={feed.name} />}
            {feed.mine && feed.url === null && <p className="text-soft">It was made when addresses were shown once: it works on, and cannot be shown again.</p>}
            {asking === 'change' && <FeedDialog feed={feed} onClose={() => setAsking(null)} />}
        </li>
    );
}
