import { Link } from '@tanstack/react-router';
import { Plus } from 'lucide-react';
import { useDeferredValue, useState } from 'react';
import { Button } from '@/components/Button';
import { Field, TextField } from '@/components/Field';
import { Page, Section } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { LogList } from '@/features/changelog/LogList';
import { usePerson } from '@/features/session/useSession';
import { PeopleTableDialog } from './PeopleTableDialog';
import { PersonDialog } from './PersonDialog';
import { PersonRow } from './PersonRow';
import { usePeople, type Status } from './usePeople';

/** The people of the organisation, for its administrators: who is here, who was invited, who has left. */
export function PeoplePage() {
    return usePerson().role === 'administrator' ? (
        <People />
    ) : (
        <Page title="People">
            <Empty title="Administrators look after people">Ask one of them to add somebody, or to change what is said of you.</Empty>
        </Page>
    );
}

function People() {
    const [words, setWords] = useState('');
    const [status, setStatus] = useState<Status | ''>('active');
    const [page, setPage] = useState(1);
    const [doing, setDoing] = useState<'nothing' | 'adding' | 'table'>('nothing');
    const people = usePeople(useDeferredValue(words), status, page);
    return (
        <Page
            title="People"
            about="Everybody who can come in. Whoever leaves hands over what they keep in the same step, so that nothing is left alone."
            actions={
                <>
                    <Link to="/organisation" className="hit mr-2 underline">
                        Categories, and what the organisation decides
                    </Link>
                    <Button onClick={() => setDoing('table')}>From a table…</Button>
                    <Button look="primary" onClick={() => setDoing('adding')}>
                        <Plus size={15} aria-hidden="true" /> Add somebody
                    </Button>
                </>
            }
        >
            <div className="mb-4 flex flex-wrap items-end gap-3">
                <TextField
                    label="Find by name, post or address"
                    type="search"
                    fieldClassName="w-72 max-w-full"
                    value={words}
                    onChange={(event) => {
                        setWords(event.target.value);
                        setPage(1);
                    }}
                />
                <Field label="Who">
                    {(control) => (
                        <select
                            {...control}
                            value={status}
                            onChange={(event) => {
                                setStatus(event.target.value as Status | '');
                                setPage(1);
                            }}
                        >
                            <option value="active">who are here</option>
                            <option value="suspended">who are suspended</option>
                            <option value="left">who have left</option>
                            <option value="">everybody</option>
                        </select>
                    )}
                </Field>
                <p role="status" className="pb-2 text-soft">
                    {people.data === undefined ? '' : people.data.total === 1 ? '1 person' : `${people.data.total} people`}
                </p>
            </div>
            {people.isError ? (
                <Failed error={people.error} retry={() => void people.refetch()} />
            ) : people.data === undefined ? (
                <Loading what="people" />
            ) : (
                <ul aria-label="People" className="mb-3 border-t border-line">
                    {people.data.people.map((person) => (
                        <PersonRow key={person.id} person={person} />
                    ))}
                </ul>
            )}
            {(people.data?.pages ?? 1) > 1 && (
                <nav aria-label="Pages" className="mb-8 flex items-center gap-3">
                    <Button disabled={page === 1} onClick={() => setPage(page - 1)}>
                        Earlier
                    </Button>
                    <span className="text-soft">
                        {page} of {people.data?.pages}
                    </span>
                    <Button disabled={page === people.data?.pages} onClick={() => setPage(page + 1)}>
                        Later
                    </Button>
                </nav>
            )}
            <div className="mt-8" />
            <Section title="Change log" about="Who changed what of people and groups.">
                <LogList of={{ kind: 'organisation' }} />
            </Section>
            {doing === 'adding' && <PersonDialog person={null} onClose={() => setDoing('nothing')} />}
            {doing === 'table' && <PeopleTableDialog onClose={() => setDoing('nothing')} />}
        </Page>
    );
}
