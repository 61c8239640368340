import { useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Field, FormProblem } from '@/components/Field';
import type { Calendar } from '@/features/calendars/useCalendars';
import { usePerson } from '@/features/session/useSession';
import { LEVELS } from '@/api/generated/words';
import type { Level } from '@/features/access/levels';

type Props = { calendar: Calendar; level: Level; letter: boolean };

/** Shares with many at once by their pasted addresses. Those that are nobody’s here stay, to be looked into. */
export function PasteAddresses({ calendar, level, letter }: Props) {
    const { role } = usePerson();
    const client = useQueryClient();
    const [text, setText] = useState('');
    const give = useAction((pasted: string) => answered(api.POST('/calendars/{slug}/grants/addresses', { params: { path: { slug: calendar.slug } }, body: { text: pasted, level, letter } })), {
        onDone: (answer) => {
            client.setQueryData(queryKeys.sharing(calendar.slug), answer.sharing);
            setText([...answer.unread, ...answer.unknown].join('\n'));
        },
        quiet: true,
    });
    const problem = problemOf(give);
    const told = give.data;
    return (
        <form
            className="flex flex-col gap-2 border border-line bg-sheet p-3"
            noValidate
            onSubmit={(event) => {
                event.preventDefault();
                give.mutate(text);
            }}
        >
            <Field label="Addresses, in any order and form" error={problem?.field('text')}>
                {(control) => <textarea rows={4} {...control} placeholder={'Pavel Trewin <pavel.trewin@…>, hana@…'} value={text} onChange={(event) => setText(event.target.value)} />}
            </Field>
            {problem !== null && problem.field('text') === undefined && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
            {told !== undefined && (
                <div role="status">
                    {told.given.length > 0 && <p>Shared with {told.given.join(', ')}.</p>}
                    {told.already.length > 0 && <p className="text-soft">They had it already: {told.already.join(', ')}.</p>}
                    {told.unread.length > 0 && (
                        <p className="mt-1 border-l-[3px] border-pin pl-2">
                            <b>No address:</b> {told.unread.join(', ')}. It is left in the field to be corrected.
                        </p>
                    )}
                    {told.unknown.length > 0 && (
                        <p className="mt-1 border-l-[3px] border-pin pl-2">
                            <b>{told.unknown.length === 1 ? 'One is nobody’s here' : `${told.unknown.length} are nobody’s here`}</b>, and left in the field: correct what is mistyped, or{' '}
                            {role === 'administrator' ? (
                                <>
                                    add them under{' '}
                                    <Link to="/people" className="underline">
                                        People
                                    </Link>
                                    .
                                </>
                            ) : (
                                'have an administrator add them.'
                            )}
                        </p>
                    )}
                </div>
            )}
            <Button type="submit" className="self-start" disabled={text.trim() === '' || give.isPending}>
                Share with all of them: {LEVELS[level].name}
            </Button>
        </form>
    );
}
