import { useState, type FormEvent } from 'react';
import { problemOf } from '@/api/useAction';
import { Button } from '@/components/Button';
import { CopyField } from '@/components/CopyField';
import { Dialog } from '@/components/Dialog';
import { Field, FormProblem } from '@/components/Field';
import { linesOf } from '@/components/linesOf';
import { formatMoment } from '@/time/dates';
import { TakeBack } from './TakeBack';
import { usePublicationLinks, type Publication, type PublicationLink } from './usePublications';

type Purpose = PublicationLink['purpose'];

type Props = { publication: Publication; purpose: Purpose; onClose: () => void };

const WORDS: Record<Purpose, { title: (name: string) => string; about: string; field: string; hint: string; none: string }> = {
    person: {
        title: (name) => `People who read ${name}`,
        about: 'Each reads it at a link of their own. Send it to them alone, and take it back without anybody else noticing.',
        field: 'Names, one a line',
        hint: 'Of people without an account here, such as a parent or a partner.',
        none: 'Nobody is named yet, so nobody reads it.',
    },
    screen: {
        title: (name) => `Screens that show ${name}`,
        about: 'Today and the week ahead, in full size. Open the link on the screen once: it keeps itself up to date, and opens nothing else.',
        field: 'Screens, one a line',
        hint: 'By where they hang, such as “Hall”.',
        none: 'No screen shows it yet.',
    },
};

/** Links to a publication that are for one person or one screen each. */
export function LinksDialog({ publication, purpose, onClose }: Props) {
    const links = publication.links.filter((each) => each.purpose === purpose);
    const words = WORDS[purpose];
    return (
        <Dialog open onOpenChange={(open) => !open && onClose()} title={words.title(publication.name)} about={words.about}>
            {links.length === 0 && <p className="text-soft">{words.none}</p>}
            <ul aria-label="Links">
                {links.map((link) => (
                    <LinkRow key={link.id} publication={publication} link={link} />
                ))}
            </ul>
            {publication.mine && <LinksForm publication={publication} purpose={purpose} />}
            <Button className="mt-4" onClick={onClose}>
                Done
            </Button>
        </Dialog>
    );
}

function LinkRow({ publication, link }: { publication: Publication; link: PublicationLink }) {
    const { end } = usePublicationLinks(publication, link.purpose);
    const [asking, setAsking] = useState(false);
    return (
        <li className="border-t border-line py-2">
            <div className="flex flex-wrap items-center gap-2">
                <span className="flex-1">
                    <b className="font-semibold">{link.name}</b>
                    {link.purpose === 'screen' && <span className="ml-2 text-soft">{link.lastReadAt === null ? 'not opened yet' : `asked last ${formatMoment(link.lastReadAt)}`}</span>}
                </span>
                {!asking && (
                    <Button onClick={() => setAsking(true)} aria-label={`Take back the link of ${link.name}`}>
                        Take back
                    </Button>
                )}
            </div>
            {link.address !== null && !asking && <CopyField label={`Link of ${link.name}`} value={link.address} />}
            {asking && <TakeBack about="Whoever opens it is told that it was taken back, for good." pending={end.isPending} onTake={() => end.mutate(link)} onCancel={() => setAsking(false)} />}
        </li>
    );
}

function LinksForm({ publication, purpose }: Omit<Props, 'onClose'>) {
    const { make } = usePublicationLinks(publication, purpose);
    const [names, setNames] = useState('');
    const problem = problemOf(make);
    const words = WORDS[purpose];
    const told = linesOf(names);
    const submit = (event: FormEvent) => {
        event.preventDefault();
        make.mutate(told, { onSuccess: () => setNames('') });
    };
    return (
        <form className="mt-2 flex flex-col items-start gap-2 border-t border-line pt-3" onSubmit={submit}>
            <Field label={words.field} className="w-full" hint={words.hint} error={problem?.fields[0]?.message}>
                {(control) => <textarea rows={purpose === 'person' ? 3 : 1} {...control} value={names} onChange={(event) => setNames(event.target.value)} />}
            </Field>
            {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
            <Button type="submit" look="primary" disabled={make.isPending || told.length === 0}>
                {told.length > 1 ? `Make ${told.length} links` : 'Make a link'}
            </Button>
        </form>
    );
}
