import { Link } from '@tanstack/react-router';
import { ArrowLeft } from 'lucide-react';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { CategoriesPanel } from '@/features/calendars/CategoriesPanel';
import { LogList } from '@/features/changelog/LogList';
import { usePerson } from '@/features/session/useSession';
import { LettersList } from './LettersList';
import { OrganisationForm } from './OrganisationForm';
import { useOrganisation } from './useOrganisation';

/** What the organisation decides for all of its people; for its administrators, and in part for its coordinators. */
export function OrganisationPage() {
    const { role } = usePerson();
    if (role === 'administrator') return <Decisions />;
    return (
        <Page title="Organisation">
            {role === 'coordinator' ? <CommonCategories /> : <Empty title="Administrators decide this">Ask one of them if something should be otherwise.</Empty>}
        </Page>
    );
}

function CommonCategories() {
    return (
        <Section title="Categories of the organisation" about="Every calendar has them. A day with an event of a category that closes its days is hatched in every view.">
            <CategoriesPanel calendar={null} />
        </Section>
    );
}

function Decisions() {
    const { state, save } = useOrganisation();
    if (state.isError) return <Failed error={state.error} retry={() => void state.refetch()} />;
    if (state.data === undefined) return <Loading what="what is decided" />;
    return (
        <Page title="Organisation" about="What holds for everybody here. Each change is written down below, and taken back from there.">
            <p className="mb-6 flex flex-wrap items-center gap-x-6 gap-y-2 text-soft">
                <Link to="/people" className="hit flex items-center gap-1 hover:text-ink hover:underline">
                    <ArrowLeft size={14} aria-hidden="true" /> People
                </Link>
                <Link to="/first-steps" className="hit hover:text-ink hover:underline">
                    First steps
                </Link>
            </p>
            {/* Decided anew by somebody else, it is begun anew here. */}
            <OrganisationForm key={state.data.version} organisation={state.data} save={save} />
            <CommonCategories />
            <Section title="Change log" about="Who changed what of people, groups and of what is decided here.">
                <LogList of={{ kind: 'organisation' }} />
            </Section>
            <Section title="Letters" about="Who was written to about events, and what became of it; not what it says. For three months.">
                <LettersList />
            </Section>
            <Section title="Sign-ins" about="Who came in, who could not, and who looked at the rota with somebody else’s eyes; for half a year.">
                <LogList of={{ kind: 'sign-ins' }} />
            </Section>
        </Page>
    );
}
