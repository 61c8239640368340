import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { CheckField } from '@/components/Field';
import { Scrolling } from '@/components/Scrolling';
import { Failed, Loading } from '@/components/States';
import { formatMoment } from '@/time/dates';
import { toast } from '@/toast/toast';

type Letter = Schemas['OutboxLetter'];

const KINDS: Record<Letter['kind'], string> = { invitation: 'Invitation', 'proposal-declined': 'Answer to a proposed time', reminder: 'Reminder', 'tasks-assigned': 'What is to be prepared', 'tasks-due': 'What is due', 'preparation-changed': 'How the preparation stands', place: 'A place, or waiting for one', notice: 'What changed', digest: 'Digest' };

/** To whom letters went and what became of them; what was given up is tried again from here. */
export function LettersList() {
    const [failed, setFailed] = useState(false);
    const letters = useQuery({ queryKey: queryKeys.outbox(failed), queryFn: ({ signal }) => answered(api.GET('/outbox', { params: { query: failed ? { state: 'failed' } : {} }, signal })) });
    const again = useAction(({ id }: Letter) => answered(api.POST('/outbox/{id}/again', { params: { path: { id } } })), { onDone: (_, { to }) => void toast(`The letter to ${to} is tried again.`) });
    if (letters.isError) return <Failed error={letters.error} retry={() => void letters.refetch()} />;
    return (
        <>
            <CheckField label="Only what did not go" checked={failed} onChange={(event) => setFailed(event.target.checked)} />
            {letters.data === undefined && <Loading what="the letters" />}
            {letters.data?.length === 0 && <p className="mt-2 text-soft">{failed ? 'Every letter went.' : 'No letter has been written yet.'}</p>}
            {letters.data !== undefined && letters.data.length > 0 && (
                <Scrolling as="ol" aria-label="Letters" className="mt-2 max-h-96 overflow-y-auto border-t border-line">
                    {letters.data.map((letter) => (
                        <li key={letter.id} className="flex items-baseline gap-3 border-b border-line py-1.5">
                            <time dateTime={letter.sent ?? letter.at} className="w-28 shrink-0 text-soft">
                                {formatMoment(letter.sent ?? letter.at)}
                            </time>
                            <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
                                {KINDS[letter.kind]} to {letter.to}
                                <span className="block text-soft">{became(letter)}</span>
                            </span>
                            {letter.state === 'failed' && (
                                <Button look="quiet" className="min-h-6 shrink-0 py-0" disabled={again.isPending} onClick={() => again.mutate(letter)} aria-label={`Try the letter to ${letter.to} again`}>
                                    Try again
                                </Button>
                            )}
                        </li>
                    ))}
                </Scrolling>
            )}
        </>
    );
}

function became({ state, due, attempts, problem }: Letter): string {
    switch (state) {
        case 'sent':
            return 'Sent';
        case 'failed':
            return `Given up: ${problem}`;
        case 'dropped':
            return `Not sent: ${problem}`;
        default:
            return `${attempts === 0 ? 'Waits' : `Tried ${attempts === 1 ? 'once' : `${attempts} times`} (${problem}), waits`} until ${formatMoment(due ?? '')}`;
    }
}
