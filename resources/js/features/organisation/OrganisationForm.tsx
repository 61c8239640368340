import { useState } from 'react';
import { problemOf } from '@/api/useAction';
import { LEVELS } from '@/api/generated/words';
import { Button } from '@/components/Button';
import { linesOf } from '@/components/linesOf';
import { TimeField } from '@/components/TimeField';
import { CheckField, Field, FormProblem, TextField } from '@/components/Field';
import { Section } from '@/components/Page';
import { lazily } from '@/components/lazily';
import { DateFields } from './DateFields';
import { SchoolYearFields } from './SchoolYearFields';
import { SchoolYearPreview } from './SchoolYearPreview';
import type { Organisation, OrganisationInput, useOrganisation } from './useOrganisation';

const SecondFactorDialog = lazily(() => import('@/features/second-factor/SecondFactorDialog'), 'SecondFactorDialog');

const ASKED_FOR = ['none', 'busy', 'see', 'add', 'change'] as const;

type Props = { organisation: Organisation; save: ReturnType<typeof useOrganisation>['save'] };

/** What the organisation decides, to be decided otherwise. */
export function OrganisationForm({ organisation, save }: Props) {
    const [input, setInput] = useState<OrganisationInput>({});
    const [settingUp, setSettingUp] = useState(false);
    const is = { ...organisation, ...input, meetings: input.meetings ?? organisation.meetings, schoolYear: input.schoolYear ?? organisation.schoolYear, frameSites: input.frameSites ?? organisation.frameSites };
    const put = (part: OrganisationInput) => setInput({ ...input, ...part });
    const problem = problemOf(save);
    const lost = problem?.status === 412;
    return (
        <form
            noValidate
            onSubmit={(event) => {
                event.preventDefault();
                // Who was first is known by now: what is decided here goes on from that.
                const version = lost ? (problem.current as Organisation).version : organisation.version;
                const { frameSites } = input;
                save.mutate({ version, input: frameSites === undefined ? input : { ...input, frameSites: linesOf(frameSites.join('\n')) } });
            }}
        >
            <Section title="Who you are" about="People see the name where they sign in and in letters.">
                <TextField label="Name of the organisation" fieldClassName="max-w-96" maxLength={120} value={is.name ?? ''} error={problem?.field('name')} onChange={(event) => put({ name: event.target.value })} />
            </Section>
            <Section title="Coming in" about="A second factor is a code from an authenticator, besides the password. Anybody can set one up under their own name.">
                <CheckField label="Administrators need a second factor" checked={is.administratorsNeedSecondFactor} onChange={(event) => put({ administratorsNeedSecondFactor: event.target.checked })} />
                {problem?.field('administratorsNeedSecondFactor') !== undefined && (
                    <FormProblem>
                        {problem.field('administratorsNeedSecondFactor')}{' '}
                        <button type="button" className="underline" onClick={() => setSettingUp(true)}>
                            Set it up
                        </button>
                    </FormProblem>
                )}
                {settingUp && <SecondFactorDialog onClose={() => setSettingUp(false)} />}
            </Section>
            <Section title="Dates and hours" about="The zone is that of new people and calendars. How a line is read that somebody types: “launch 2/11”, “rowing fri evening”.">
                <DateFields is={is} put={put} problem={problem} />
                <div className="mt-3 flex flex-wrap gap-3">
                    <TimeField label="The morning begins" zone={is.timezone} className="w-40" value={is.morning} error={problem?.field('morning')} onChange={(time) => put({ morning: time })} />
                    <TimeField label="The afternoon begins" zone={is.timezone} className="w-40" value={is.afternoon} error={problem?.field('afternoon')} onChange={(time) => put({ afternoon: time })} />
                    <TimeField label="The evening begins" zone={is.timezone} className="w-40" value={is.evening} error={problem?.field('evening')} onChange={(time) => put({ evening: time })} />
                </div>
            </Section>
            <Section title="The school’s year" about="Weeks are named by their term, beside their number in the year: “Autumn, week 12 · B”. What is in the calendar of closed days under a category that closes its days is hatched on every sheet.">
                <SchoolYearFields is={is} put={put} problem={problem} />
                {(input.schoolYear !== undefined || input.closures !== undefined) && <SchoolYearPreview input={schoolYearOf(input)} />}
            </Section>
            <Section title="Asking for access" about="Whoever sees something of a calendar can ask those who manage it for more.">
                <Field label="At most for" className="w-48" error={problem?.field('mayAskFor')}>
                    {(control) => (
                        <select {...control} value={is.mayAskFor} onChange={(event) => put({ mayAskFor: event.target.value as (typeof ASKED_FOR)[number] })}>
                            {ASKED_FOR.map((level) => (
                                <option key={level} value={level}>
                                    {level === 'none' ? 'Nothing: nobody asks' : LEVELS[level].name}
                                </option>
                            ))}
                        </select>
                    )}
                </Field>
            </Section>
            <Section title="Addresses of others" about="An address that begins with webcal: does not say how it is fetched. It is tried with encryption first.">
                <CheckField label="Fetch it without encryption where there is none" checked={is.plainHttp} onChange={(event) => put({ plainHttp: event.target.checked })} />
            </Section>
            <Section title="Frames for members" about="On sites of your own a calendar can stand in a frame in which people sign in. Name only sites that nobody else writes: whoever writes them sees what is typed into them.">
                <Field label="Sites, one a line" className="max-w-96" error={problem?.field('frameSites')} hint="Such as https://www.school.example. On any other it shows nothing.">
                    {(control) => <textarea rows={2} {...control} value={is.frameSites.join('\n')} onChange={(event) => put({ frameSites: event.target.value.split('\n') })} />}
                </Field>
            </Section>
            <Section title="Meeting online" about="With an address here, one click on the form of an event gives it a link of its own.">
                <TextField label="Address" fieldClassName="max-w-96" error={problem?.field('meetings')} hint="Such as https://meet.school.example/{code}, where {code} is another for each event; or the address of a service that answers with a link, as JSON: {&quot;url&quot;: …}." value={is.meetings} onChange={(event) => put({ meetings: event.target.value })} />
            </Section>
            {problem !== null && problem.fields.length === 0 && (
                <FormProblem>
                    {lost ? 'Somebody else has decided something since you came here. What you chose is kept: save it over theirs, or load the page again.' : `${problem.message} ${problem.detail}`}
                </FormProblem>
            )}
            <div className="mt-3 mb-10 flex gap-2">
                <Button type="submit" look="primary" disabled={save.isPending || Object.keys(input).length === 0}>
                    Save
                </Button>
                <Button disabled={Object.keys(input).length === 0} onClick={() => setInput({})}>
                    Cancel
                </Button>
            </div>
        </form>
    );
}

/** What of an input is asked about before it is saved. */
function schoolYearOf({ schoolYear, closures }: OrganisationInput): Pick<OrganisationInput, 'schoolYear' | 'closures'> {
    return { ...(schoolYear === undefined ? {} : { schoolYear }), ...(closures === undefined ? {} : { closures }) };
}
