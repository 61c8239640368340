import { getRouteApi } from '@tanstack/react-router';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { Catalogue } from './Catalogue';
import { SourceCard } from './SourceCard';
import { SubscribeForm } from './SubscribeForm';
import { useSources } from './useSources';

const route = getRouteApi('/sources');

/** What is subscribed to from outside. */
export function SourcesPage() {
    const sources = useSources();
    const { address, into } = route.useSearch();
    const [adding, setAdding] = useState(address !== undefined);
    if (sources.isPending) return <Loading what="sources" />;
    if (sources.isError) return <Failed error={sources.error} retry={() => void sources.refetch()} />;
    const inCatalogue = sources.data.filter(({ catalogue }) => catalogue !== null);
    const catalogue = inCatalogue.length > 0 && <Catalogue sources={inCatalogue} />;
    // Who looks after some comes to see how they fare, whoever does not to find some.
    const manages = sources.data.some(({ mayManage }) => mayManage);
    const needing = sources.data.filter(({ failingSince, held }) => failingSince !== null || held !== null);
    return (
        <Page
            title="Sources"
            about="Calendars that others publish at an address. They are fetched again by themselves; when the far side fails, or loses much of what it had, the last good copy stays."
            actions={
                <Button look="primary" onClick={() => setAdding(true)} disabled={adding}>
                    Subscribe to an address
                </Button>
            }
        >
            {adding && <SubscribeForm address={address} into={into} onClose={() => setAdding(false)} />}
            {!manages && catalogue}
            {sources.data.length === 0 ? (
                !adding && (
                    <Empty
                        title="No source yet"
                        action={
                            <Button look="primary" onClick={() => setAdding(true)}>
                                Subscribe to the first
                            </Button>
                        }
                    >
                        A tide table, a fixture list, public holidays: whatever somebody publishes as a calendar, a table or a page with dates can be a layer here.
                    </Empty>
                )
            ) : (
                <Section title="What comes from outside">
                    <ul>
                        {[...needing, ...sources.data.filter((each) => !needing.includes(each))].map((source) => (
                            <SourceCard key={source.id} source={source} />
                        ))}
                    </ul>
                </Section>
            )}
            {manages && catalogue}
        </Page>
    );
}
