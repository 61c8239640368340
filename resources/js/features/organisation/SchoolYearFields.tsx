import { Plus, X } from 'lucide-react';
import type { Problem } from '@/api/client';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { CheckField, Field, FormProblem, TextField } from '@/components/Field';
import { useCalendars } from '@/features/calendars/useCalendars';
import { usePerson } from '@/features/session/useSession';
import { addDays } from '@/time/dates';
import { useNow } from '@/time/useNow';
import type { Organisation, OrganisationInput } from './useOrganisation';

type SchoolYear = Organisation['schoolYear'];
type Term = SchoolYear['terms'][number];

type Props = { is: Pick<Organisation, 'schoolYear' | 'closures'>; put: (part: OrganisationInput) => void; problem: Problem | null };

/** The terms, their half-terms, how weeks are counted, and which calendar closes days. */
export function SchoolYearFields({ is: { schoolYear, closures }, put, problem }: Props) {
    const calendars = useCalendars();
    const zone = usePerson().timezone;
    const today = useNow(zone).slice(0, 10);
    const { terms, alternates, halfTermCounts } = schoolYear;
    const change = (part: Partial<SchoolYear>) => put({ schoolYear: { ...schoolYear, ...part } });
    const changeTerm = (at: number, part: Partial<Term>) => change({ terms: terms.map((term, index) => (index === at ? { ...term, ...part } : term)) });
    const last = terms.at(-1);
    const wrong = problem?.field('schoolYear');
    const day = { zone, today, hidesLabel: true, className: 'w-36' };
    return (
        <div className="flex flex-col gap-3">
            {terms.length === 0 && <p className="text-soft">There are no terms yet: weeks go by their number in the year.</p>}
            <ol aria-label="Terms" className="flex flex-col gap-3">
                {terms.map((term, index) => {
                    const problemOfTerm = problem?.field(`schoolYear.terms.${index}`);
                    return (
                        <li key={index} className="flex flex-wrap items-end gap-2 border-l-[3px] border-ink pl-3">
                            <TextField label="Term" fieldClassName="w-36" maxLength={60} value={term.name} onChange={(event) => changeTerm(index, { name: event.target.value })} />
                            <DateField {...day} hidesLabel={false} label={`First day of ${term.name === '' ? 'it' : term.name}`} value={term.from} onChange={(from) => changeTerm(index, { from })} />
                            <DateField {...day} hidesLabel={false} label={`Last day of ${term.name === '' ? 'it' : term.name}`} value={term.to} onChange={(to) => changeTerm(index, { to })} />
                            {alternates && (
                                <Field label="Begins with" className="w-24">
                                    {(control) => (
                                        <select {...control} value={term.startsWith} onChange={(event) => changeTerm(index, { startsWith: event.target.value as Term['startsWith'] })}>
                                            <option value="A">week A</option>
                                            <option value="B">week B</option>
                                        </select>
                                    )}
                                </Field>
                            )}
                            <Button onClick={() => change({ terms: terms.filter((_, at) => at !== index) })} aria-label={`Take out ${term.name}`}>
                                <X size={14} aria-hidden="true" />
                            </Button>
                            {term.halfTerms.map((half, at) => (
                                <HalfTerm
                                    key={at}
                                    half={half}
                                    of={term.name}
                                    day={day}
                                    put={(part) => changeTerm(index, { halfTerms: term.halfTerms.map((each, other) => (other === at ? { ...each, ...part } : each)) })}
                                    remove={() => changeTerm(index, { halfTerms: term.halfTerms.filter((_, other) => other !== at) })}
                                />
                            ))}
                            <Button className="basis-auto" onClick={() => changeTerm(index, { halfTerms: [...term.halfTerms, { name: 'Half-term', from: '', to: '' }] })}>
                                <Plus size={14} aria-hidden="true" /> Half-term
                            </Button>
                            {problemOfTerm !== undefined && (
                                <div className="basis-full">
                                    <FormProblem>{problemOfTerm}</FormProblem>
                                </div>
                            )}
                        </li>
                    );
                })}
            </ol>
            <div>
                <Button onClick={() => change({ terms: [...terms, { name: '', from: last === undefined || last.to === '' ? today : addDays(last.to, 14), to: '', startsWith: 'A', halfTerms: [] }] })}>
                    <Plus size={14} aria-hidden="true" /> Term
                </Button>
            </div>
            {wrong !== undefined && <FormProblem>{wrong}</FormProblem>}
            <CheckField label="Weeks are A and B in turn" checked={alternates} onChange={(event) => change({ alternates: event.target.checked })} />
            {alternates && <CheckField label="A half-term takes its turn: after one week of it the letter has changed" checked={halfTermCounts} onChange={(event) => change({ halfTermCounts: event.target.checked })} />}
            <Field label="Closed days are in" className="w-64" error={problem?.field('closures')}>
                {(control) => (
                    <select {...control} value={closures ?? ''} onChange={(event) => put({ closures: event.target.value === '' ? null : event.target.value })}>
                        <option value="">no calendar</option>
                        {calendars.data?.map((each) => (
                            <option key={each.slug} value={each.slug}>
                                {each.name}
                            </option>
                        ))}
                    </select>
                )}
            </Field>
        </div>
    );
}

type Half = Term['halfTerms'][number];

type HalfProps = { half: Half; of: string; day: { zone: string; today: string; hidesLabel: boolean; className: string }; put: (part: Partial<Half>) => void; remove: () => void };

function HalfTerm({ half, of, day, put, remove }: HalfProps) {
    return (
        <div className="flex basis-full flex-wrap items-center gap-2 pl-4 text-soft">
            <span className="w-32">{half.name}</span>
            <DateField {...day} label={`First day of the half-term of ${of}`} value={half.from} onChange={(from) => put({ from })} />
            <span aria-hidden="true">to</span>
            <DateField {...day} label={`Last day of the half-term of ${of}`} value={half.to} onChange={(to) => put({ to })} />
            <Button onClick={remove} aria-label={`Take out the half-term of ${of}`}>
                <X size={14} aria-hidden="true" />
            </Button>
        </div>
    );
}
