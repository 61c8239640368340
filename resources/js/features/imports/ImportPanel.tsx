import { useEffect, useRef, useState, type ClipboardEvent, type FormEvent } from 'react';
import { answered, api, Problem } from '@/api/client';
import { useRefresh } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Field, FormProblem } from '@/components/Field';
import { useLatest } from '@/components/useLatest';
import type { Calendar } from '@/features/calendars/useCalendars';
import { useTellDone } from '@/features/history/useTellDone';
import { JobProgress } from '@/features/jobs/JobProgress';
import { useLongWork } from '@/features/jobs/useLongWork';
import { isAddress } from './bringIn';
import { DocumentPreview } from './DocumentPreview';
import { ImportPreview } from './ImportPreview';
import { useImport } from './useImport';

/** What is longer is put in by itself: browsers take minutes to paste some thousand lines, and stand still meanwhile. In characters. */
const LONG = 10_000;

type Props = {
    calendar: Calendar;
    /** What is looked at as soon as it is there. */
    given?: File | string | undefined;
    /** What is done with what was pasted and is an address. */
    onAddress: (address: string) => void;
    /** Once it is brought in. */
    onDone?: () => void;
};

/** Brings a file, a table or a text into a calendar: choose or paste it, look at what it would do, put it right, bring it in. */
export function ImportPanel({ calendar, given, onAddress, onDone }: Props) {
    const refresh = useRefresh();
    const tellDone = useTellDone();
    const chooser = useRef<HTMLInputElement>(null);
    const [pasted, setPasted] = useState(typeof given === 'string' ? given : '');
    const bring = useImport(calendar);
    const { preview } = bring;
    const lookLatest = useLatest(bring.look);
    useEffect(() => {
        if (given !== undefined) lookLatest.current(given);
    }, [given, lookLatest]);
    const apply = useLongWork(
        (id: number) => answered(api.POST('/imports/{id}/apply', { params: { path: { id } } })),
        async ({ counts, operation }) => {
            bring.reset();
            setPasted('');
            await refresh('events');
            onDone?.();
            tellDone(operation, `Brought into ${calendar.name}: ${counts?.added ?? 0} added, ${counts?.changed ?? 0} changed, ${counts?.unchanged ?? 0} already there${counts?.removed ? `, ${counts.removed} taken away` : ''}.`);
        },
    );
    const error = bring.error ?? apply.error;
    const problem = error instanceof Problem ? error : null;
    const lookAtPasted = (submitted: FormEvent) => {
        submitted.preventDefault();
        apply.reset();
        if (isAddress(pasted)) onAddress(pasted.trim());
        else bring.look(pasted);
    };
    const takeLong = (pasting: ClipboardEvent<HTMLTextAreaElement>) => {
        const text = pasting.clipboardData.getData('text/plain');
        if (text.length < LONG) return;
        pasting.preventDefault();
        const { selectionStart, selectionEnd } = pasting.currentTarget;
        setPasted(pasted.slice(0, selectionStart) + text + pasted.slice(selectionEnd));
    };
    const actions = preview !== undefined && (
        <>
            <Button look="primary" disabled={apply.isPending || bring.isPutting || preview.counts.added + preview.counts.changed + preview.counts.removed === 0} onClick={() => apply.mutate(preview.id)}>
                {apply.isPending ? 'Bringing it in…' : 'Bring it in'}
            </Button>
            {!apply.isPending && <Button onClick={bring.reset}>Cancel</Button>}
        </>
    );
    return (
        <div className="flex flex-col items-start gap-3">
            <input
                ref={chooser}
                type="file"
                accept=".ics,.csv,.tsv,.txt,.html,.htm,.xlsx,.xlsm,.ods,.docx,.docm,text/calendar,text/csv,text/plain,text/html"
                aria-label="File to bring in"
                className="file:mr-3 file:cursor-pointer file:rounded-sm file:border file:border-ink file:bg-sheet file:px-2.5 file:py-1"
                onChange={(event) => {
                    const file = event.target.files?.[0];
                    apply.reset();
                    if (file !== undefined) bring.look(file);
                    event.target.value = '';
                }}
            />
            <form onSubmit={lookAtPasted} className="flex w-full max-w-2xl flex-col items-start gap-1.5">
                <Field label="Or paste a table or a text with dates" className="w-full" hint={isAddress(pasted) ? 'This is an address: it is looked at, and subscribed to if you like.' : undefined}>
                    {(control) => <textarea rows={preview === undefined ? 4 : 2} {...control} value={pasted} onPaste={takeLong} onChange={(typed) => setPasted(typed.target.value)} />}
                </Field>
                <Button type="submit" className="border-line" disabled={pasted.trim() === '' || bring.isLooking}>
                    Look at it
                </Button>
            </form>
            {bring.isLooking && <p role="status">Reading it…</p>}
            {problem !== null && (
                <FormProblem>
                    {problem.field('file') ?? problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}
                    {problem.status === 0 || problem.detail.includes('Nothing was changed') ? '' : ' Nothing was changed.'}
                </FormProblem>
            )}
            {apply.isPending && <JobProgress job={apply.job} what={`Bringing in ${preview?.fileName ?? 'the file'}`} />}
            {preview !== undefined &&
                (preview.kind === 'calendar' ? <ImportPreview preview={preview} actions={actions} isPutting={bring.isPutting} onChoose={bring.choose} /> : <DocumentPreview preview={preview} calendar={calendar} actions={actions} isPutting={bring.isPutting} onEdit={bring.edit} onChoose={bring.choose} />)}
        </div>
    );
}
