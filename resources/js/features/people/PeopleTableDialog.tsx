import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { CheckField, Field, FormProblem } from '@/components/Field';
import { Scrolling } from '@/components/Scrolling';
import { useSendsMail } from '@/features/site/useSite';

type Plan = Schemas['PeoplePlan'];

const VERDICTS = { new: 'new', changed: 'changed', known: 'as before', refused: 'refused' } as const;

/** Brings people in from a table: each line is looked at before anything is changed. */
export function PeopleTableDialog({ onClose }: { onClose: () => void }) {
    const [text, setText] = useState('');
    const sendsMail = useSendsMail();
    const [wanted, setWanted] = useState(true);
    const invite = wanted && sendsMail;
    const look = useAction((table: string) => answered(api.POST('/people/table', { body: { text: table } })), { quiet: true });
    const apply = useAction((plan: Plan) => answered(api.POST('/people/table', { body: { text, apply: plan.digest, invite } })), {
        onDone: (_, plan) => {
            toast(`${told(plan, 'new')} added, ${told(plan, 'changed')} changed.`);
            onClose();
        },
        quiet: true,
    });
    const plan = look.data;
    const problem = problemOf(apply) ?? problemOf(look);
    const works = plan === undefined ? 0 : told(plan, 'new') + told(plan, 'changed');
    const edit = (next: string) => {
        setText(next);
        look.reset();
        apply.reset();
    };
    return (
        <Dialog open onOpenChange={onClose} wide title="People from a table" about="Columns: name, address, post, time zone, groups. A first line with headings says which is which; otherwise they are name, address, post, groups.">
            <form
                className="flex flex-col gap-3"
                noValidate
                onSubmit={(event) => {
                    event.preventDefault();
                    if (plan === undefined) look.mutate(text);
                    else apply.mutate(plan);
                }}
            >
                <input
                    type="file"
                    aria-label="A file, .csv"
                    accept=".csv,.txt,.tsv,text/csv,text/plain"
                    onChange={(event) => {
                        void event.target.files?.[0]?.text().then(edit);
                    }}
                />
                <Field label="or pasted" error={problem?.field('text')}>
                    {(control) => <textarea rows={5} {...control} className={`${control.className} font-mono text-xs`} placeholder={'name,address,post,groups\nPavel Trewin,pavel.trewin@…,Shipwright,Joinery; Yard'} value={text} onChange={(event) => edit(event.target.value)} />}
                </Field>
                {plan !== undefined && (
                    <Scrolling as="div" className="max-h-72 overflow-y-auto border border-line bg-sheet" aria-label="What would be done">
                        <table className="w-full text-left text-[13px]">
                            <thead>
                                <tr className="border-b border-line text-soft">
                                    <th className="px-2 py-1 font-normal">Line</th>
                                    <th className="px-2 py-1 font-normal">Person</th>
                                    <th className="px-2 py-1 font-normal">Groups</th>
                                    <th className="px-2 py-1 font-normal">What is done</th>
                                </tr>
                            </thead>
                            <tbody>
                                {plan.rows.map((row) => (
                                    <tr key={row.line} className="border-b border-hair align-top">
                                        <td className="px-2 py-1">{row.line}</td>
                                        <td className="px-2 py-1">
                                            {row.name} <span className="text-soft">{row.email}</span>
                                        </td>
                                        <td className="px-2 py-1">{row.groups.join(', ')}</td>
                                        <td className={`px-2 py-1 ${row.verdict === 'refused' ? 'font-semibold text-pin-ink' : ''}`}>
                                            {VERDICTS[row.verdict]}
                                            {row.notes.length > 0 && `: ${row.notes.join(' ')}`}
                                        </td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    </Scrolling>
                )}
                {plan !== undefined && (
                    <p role="status">
                        {told(plan, 'new')} new, {told(plan, 'changed')} changed, {told(plan, 'known')} as before, {told(plan, 'refused')} refused.
                    </p>
                )}
                {sendsMail ? (
                    <CheckField label="Invite the new ones by mail to set a password" checked={wanted} onChange={(event) => setWanted(event.target.checked)} />
                ) : (
                    <p className="text-soft">No letters go out from here: you find a link for each of the new ones beside their name.</p>
                )}
                {problem !== null && problem.field('text') === undefined && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" look="primary" disabled={text.trim() === '' || look.isPending || apply.isPending || (plan !== undefined && works === 0)}>
                        {plan === undefined ? 'Look at it' : `Bring ${works} in`}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}

function told(plan: Plan, verdict: Plan['rows'][number]['verdict']): number {
    return plan.rows.filter((row) => row.verdict === verdict).length;
}
