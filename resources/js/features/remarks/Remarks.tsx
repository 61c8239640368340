import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import type { Schemas } from '@/api/client';
import { problemOf } from '@/api/useAction';
import { Button } from '@/components/Button';
import { CheckField, Field } from '@/components/Field';
import { formatDate, formatMoment } from '@/time/dates';
import { remarksQuery, useRemarks, type Remark } from './remarks';

type Event = Schemas['Event'];

/** What was remarked on an event; those who take part are told, and each may have it be. */
export function Remarks({ event, mayWrite }: { event: Event; mayWrite: boolean }) {
    const remarks = useQuery(remarksQuery(event.id)).data;
    const [text, setText] = useState('');
    const [single, setSingle] = useState(false);
    const { add, remove, mute } = useRemarks(event, () => setText(''));
    const problem = problemOf(add);
    const send = (submitted: FormEvent) => {
        submitted.preventDefault();
        add.mutate({ text, single });
    };
    return (
        <section aria-label="Remarks" className="mt-3 border-t border-line pt-2.5">
            <div className="flex items-baseline justify-between gap-2">
                <h3 className="font-semibold">Remarks</h3>
                {mayWrite && remarks !== undefined && (
                    <button type="button" className="hit text-xs underline" aria-pressed={remarks.muted} disabled={mute.isPending} onClick={() => mute.mutate(!remarks.muted)}>
                        {remarks.muted ? 'You are told of none: tell me' : 'Tell me of none'}
                    </button>
                )}
            </div>
            {remarks !== undefined && remarks.remarks.length > 0 && (
                <ul className="mt-1.5 flex flex-col gap-2">
                    {remarks.remarks.map((remark) => (
                        <OneRemark key={remark.id} remark={remark} removing={remove.isPending} onRemove={mayWrite && remark.mayDelete ? () => remove.mutate(remark.id) : null} />
                    ))}
                </ul>
            )}
            {mayWrite && (
                <form onSubmit={send} className="mt-2 flex flex-col gap-1.5" noValidate>
                    <Field label="Remark on it" error={problem === null ? undefined : (problem.field('text') ?? problem.message)}>
                        {(control) => <textarea rows={2} {...control} maxLength={2000} value={text} onChange={(typed) => setText(typed.target.value)} />}
                    </Field>
                    {event.occurrence !== null && text !== '' && <CheckField label="About this time only" checked={single} onChange={(change) => setSingle(change.target.checked)} />}
                    {text !== '' && (
                        <Button type="submit" className="self-start border-line" disabled={add.isPending}>
                            Remark
                        </Button>
                    )}
                </form>
            )}
        </section>
    );
}

function OneRemark({ remark, removing, onRemove }: { remark: Remark; removing: boolean; onRemove: (() => void) | null }) {
    return (
        <li className="border-l-2 border-line pl-2">
            <p className="flex items-baseline gap-1 text-xs text-soft">
                <span className="min-w-0 flex-1">
                    {remark.by ?? 'Somebody'}, {formatMoment(remark.at)}
                    {remark.on !== null && `, on ${formatDate(remark.on, 'weekdayDay')}`}
                </span>
                {onRemove !== null && (
                    <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" aria-label={`Take away: ${remark.text}`} disabled={removing} onClick={onRemove}>
                        <X size={12} />
                    </button>
                )}
            </p>
            <p className="[overflow-wrap:anywhere] whitespace-pre-line">{remark.text}</p>
        </li>
    );
}
