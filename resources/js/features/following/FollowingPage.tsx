import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { ArrowLeft } from 'lucide-react';
import { useState } from 'react';
import { answered, api } from '@/api/client';
import { FOLLOWED_CHANGES } from '@/api/generated/words';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { lazily } from '@/components/lazily';
import { DigestFields } from './DigestFields';
import { followable, followsQuery, howWords, type Follow } from './following';

const FollowDialog = lazily(() => import('./FollowDialog'), 'FollowDialog');

const KINDS: Record<Follow['kind'], string> = { mine: 'yours', calendar: 'calendar', category: 'category', overlay: 'overlay', person: 'person', event: 'event' };

/** What one follows, how one is told of each, and when the digests come. */
export function FollowingPage() {
    const following = useQuery(followsQuery);
    if (following.isError) return <Failed error={following.error} retry={() => void following.refetch()} />;
    if (following.data === undefined) return <Loading what="what you follow" />;
    const { follows, digests } = following.data;
    return (
        <Page title="What you follow" about="Of what becomes of it you are told as you choose here. Only you see this.">
            <Link to="/waiting" className="hit mb-4 inline-flex items-center gap-1 text-soft hover:text-ink hover:underline">
                <ArrowLeft size={14} aria-hidden="true" /> For you
            </Link>
            <Section title="Followed">
                <ul className="border-t border-line" aria-label="What you follow">
                    {follows.map((each) => (
                        <FollowRow key={each.id ?? each.kind} follow={each} />
                    ))}
                </ul>
                {follows.length === 1 && (
                    <Empty title="You follow nothing else yet">Open a calendar, an overlay, a person or an event and choose “Follow…”.</Empty>
                )}
            </Section>
            <Section title="Digests" about="What is on for you, what changed with what you follow once a day or once a week, what waits for your answer, and what you have to prepare. There is none where there is nothing to say.">
                <div className="flex flex-col gap-2">
                    {digests.map((each) => (
                        <DigestFields key={`${each.pace} ${each.hour} ${each.weekday} ${each.byMail}`} digest={each} />
                    ))}
                </div>
            </Section>
        </Page>
    );
}

function FollowRow({ follow }: { follow: Follow }) {
    const [open, setOpen] = useState(false);
    const end = useAction((id: number) => answered(api.DELETE('/follows/{id}', { params: { path: { id } } })));
    const isGone = follow.name === '';
    const name = isGone ? `Something that you do not see any more (${KINDS[follow.kind]})` : follow.name;
    return (
        <li className="flex flex-wrap items-center gap-3 border-b border-line py-2.5">
            {follow.calendar === null ? <span className="w-4.5" /> : <Mark mark={follow.calendar.mark} ink={follow.calendar.colour} size={18} />}
            <div className="min-w-60 flex-1">
                <b>{name}</b>
                {follow.kind === 'category' && !isGone && ` on ${follow.calendar?.name ?? ''}`}
                {follow.kind !== 'mine' && !isGone && <span className="text-soft">, {KINDS[follow.kind]}</span>}
                <span className="block text-soft">
                    {howWords(follow)}
                    {follow.pace !== 'off' && `: ${follow.changes.map((each) => FOLLOWED_CHANGES[each]).join(', ')}`}
                </span>
            </div>
            <div className="flex items-center gap-2">
                {!isGone && (
                    <Button onClick={() => setOpen(true)} aria-label={`Change how you are told of ${name}`}>
                        Change
                    </Button>
                )}
                {follow.id !== null && follow.kind !== 'mine' && (
                    <Button disabled={end.isPending} onClick={() => end.mutate(follow.id ?? 0)} aria-label={`Follow ${name} no longer`}>
                        No longer
                    </Button>
                )}
            </div>
            {open && <FollowDialog what={followable(follow)} onClose={() => setOpen(false)} />}
        </li>
    );
}
