import { Link } from '@tanstack/react-router';
import { ArrowLeft } from 'lucide-react';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { CategoriesPanel } from '@/features/calendars/CategoriesPanel';
import { LogList } from '@/features/changelog/LogList';
import { usePerson } from '@/features/session/useSession';
import { OrganisationForm } from './OrganisationForm';
import { useOrganisation } from './useOrganisation';

/** What the organisation decides for all of its people; for its administrators. */
export function OrganisationPage() {
    return usePerson().role === 'administrator' ? (
        <Decisions />
    ) : (
        <Page title="Organisation">
            <Empty title="Administrators decide this">Ask one of them if something should be otherwise.</Empty>
        </Page>
    );
}

function Decisions() {
    const { state, save } = useOrganisation();
    if (state.isError) return <Failed error={state.error} retry={() => void state.refetch()} />;
    if (state.data === undefined) return <Loading what="what is decided" />;
    return (
        <Page title="Organisation" about="What holds for everybody here. Each change is written down below, and taken back from there.">
            <Link to="/people" className="mb-6 flex items-center gap-1 text-soft hover:text-ink hover:underline">
                <ArrowLeft size={14} aria-hidden="true" /> People
            </Link>
            {/* Decided anew by somebody else, it is begun anew here. */}
            <OrganisationForm key={state.data.version} organisation={state.data} save={save} />
            <Section title="Categories of the organisation" about="Every calendar has them. A day with an event of a category that closes its days is hatched in every view.">
                <CategoriesPanel calendar={null} />
            </Section>
            <Section title="Change log" about="Who changed what of people, groups and of what is decided here.">
                <LogList of={{ kind: 'organisation' }} />
            </Section>
            <Section title="Sign-ins" about="Who came in, who could not, and who looked at the rota with somebody else’s eyes; for half a year.">
                <LogList of={{ kind: 'sign-ins' }} />
            </Section>
        </Page>
    );
}
