import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { FeedsBySubject } from '@/features/feeds/FeedsBySubject';
import { OnMyDevices } from '@/features/feeds/OnMyDevices';
import { useFeeds } from '@/features/feeds/useFeeds';
import { MemberFrames } from './MemberFrames';
import { PublicationDialog } from './PublicationDialog';
import { PublicationRow } from './PublicationRow';
import { usePublications } from './usePublications';

/** All that goes out to whoever has no account: pages, and feed links by calendar. */
export function PublishPage() {
    const publications = usePublications();
    const feeds = useFeeds();
    const [publishing, setPublishing] = useState(false);
    if (publications.isPending || feeds.isPending) return <Loading what="what is published" />;
    const failed = publications.isError ? publications : feeds.isError ? feeds : null;
    if (failed !== null) return <Failed error={failed.error} retry={() => void failed.refetch()} />;
    const others = feeds.data?.filter((each) => each.of !== 'list') ?? [];
    return (
        <Page
            title="Publish"
            about="What goes out to people without an account. A page or a link gives what whoever made it may see at that moment, never more."
            actions={
                <Button look="primary" onClick={() => setPublishing(true)}>
                    Publish a page
                </Button>
            }
        >
            {publications.data?.length === 0 && feeds.data?.length === 0 && (
                <Empty title="Nothing is published yet">
                    Publish a page of a calendar or an overlay that you manage, or open a calendar and make a feed link for a reader or a place.{' '}
                    <Link to="/calendars" className="underline">
                        Your calendars
                    </Link>
                </Empty>
            )}
            {(publications.data?.length ?? 0) > 0 && (
                <Section title="Pages">
                    <ul className="border-t border-line" aria-label="Pages">
                        {publications.data?.map((each) => <PublicationRow key={each.id} publication={each} />)}
                    </ul>
                </Section>
            )}
            <MemberFrames />
            <Section title="On my devices" about="All that is on your list, in the calendar of your phone or computer: what you may see at that moment, also what is private and yours.">
                <OnMyDevices of="list" slug="" name="my list" />
            </Section>
            {others.length > 0 && (
                <Section title="Feed links" about="Who reads your calendars from outside, and when they last did.">
                    <FeedsBySubject feeds={others} />
                </Section>
            )}
            {publishing && <PublicationDialog publication={null} onClose={() => setPublishing(false)} />}
        </Page>
    );
}
