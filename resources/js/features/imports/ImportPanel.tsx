import { useMutation } from '@tanstack/react-query';
import { useRef } from 'react';
import { answered, api, fileForm, Problem } from '@/api/client';
import { useRefresh } from '@/api/useAction';
import { Button } from '@/components/Button';
import { FormProblem } from '@/components/Field';
import { useTellDone } from '@/features/history/useTellDone';
import { JobProgress } from '@/features/jobs/JobProgress';
import { useLongWork } from '@/features/jobs/useLongWork';
import type { Calendar } from '@/features/calendars/useCalendars';
import { ImportPreview } from './ImportPreview';

/** The most that the server takes; checked here too, so that nobody waits for an upload that is refused. */
const MOST_MEGABYTES = 20;

/** Brings a file into a calendar: choose it, look at what it would do, bring it in. */
export function ImportPanel({ calendar }: { calendar: Calendar }) {
    const refresh = useRefresh();
    const tellDone = useTellDone();
    const chooser = useRef<HTMLInputElement>(null);
    const preview = useMutation({
        mutationFn: (file: File) => {
            if (file.size > MOST_MEGABYTES * 1024 * 1024) {
                const message = `The file is larger than ${MOST_MEGABYTES} MB. Ask for a shorter span of time, or bring it in in parts.`;
                throw new Problem(422, message, '', [{ field: 'file', message }], null);
            }
            return answered(api.POST('/calendars/{slug}/imports', { params: { path: { slug: calendar.slug } }, body: fileForm(file) }));
        },
    });
    const apply = useLongWork(
        (id: number) => answered(api.POST('/imports/{id}/apply', { params: { path: { id } } })),
        async ({ counts, operation }) => {
            preview.reset();
            await refresh('events');
            tellDone(operation, `Brought into ${calendar.name}: ${counts?.added ?? 0} added, ${counts?.changed ?? 0} changed, ${counts?.unchanged ?? 0} already there.`);
        },
    );
    const error = preview.error ?? apply.error;
    const problem = error instanceof Problem ? error : null;
    return (
        <div className="flex flex-col items-start gap-3">
            <input
                ref={chooser}
                type="file"
                accept=".ics,text/calendar"
                aria-label="iCalendar file"
                className="file:mr-3 file:cursor-pointer file:rounded-sm file:border file:border-ink file:bg-sheet file:px-2.5 file:py-1"
                onChange={(event) => {
                    const file = event.target.files?.[0];
                    apply.reset();
                    if (file !== undefined) preview.mutate(file);
                    event.target.value = '';
                }}
            />
            {preview.isPending && <p role="status">Reading the file…</p>}
            {problem !== null && (
                <FormProblem>
                    {problem.field('file') ?? `${problem.message} ${problem.detail}`}
                    {problem.status === 0 || problem.detail.includes('Nothing was changed') ? '' : ' Nothing was changed.'}
                </FormProblem>
            )}
            {apply.isPending && <JobProgress job={apply.job} what={`Bringing in ${preview.data?.fileName ?? 'the file'}`} />}
            {preview.data !== undefined && (
                <ImportPreview
                    preview={preview.data}
                    actions={
                        <>
                            <Button look="primary" disabled={apply.isPending || preview.data.counts.added + preview.data.counts.changed === 0} onClick={() => apply.mutate(preview.data.id)}>
                                {apply.isPending ? 'Bringing it in…' : 'Bring it in'}
                            </Button>
                            {!apply.isPending && <Button onClick={() => preview.reset()}>Cancel</Button>}
                        </>
                    }
                />
            )}
        </div>
    );
}
