import { answered, api } from '@/api/client';
import { Button } from '@/components/Button';
import { FormProblem } from '@/components/Field';
import { problemOf } from '@/api/useAction';
import { JobProgress } from '@/features/jobs/JobProgress';
import { useLongWork } from '@/features/jobs/useLongWork';
import type { Calendar } from '@/features/calendars/useCalendars';

/** Writes a calendar into a file, as one sees it, and hands it over. */
export function CalendarFile({ calendar }: { calendar: Calendar }) {
    const write = useLongWork(
        () => answered(api.POST('/calendars/{slug}/files', { params: { path: { slug: calendar.slug } } })),
        (job) => {
            if (job.id !== null) location.assign(`/api/v1/jobs/${job.id}/file`);
        },
    );
    const problem = problemOf(write);
    return (
        <div className="flex flex-col items-start gap-2">
            {write.isPending ? <JobProgress job={write.job} what={`Writing ${calendar.slug}.ics`} /> : <Button onClick={() => write.mutate()}>Write the file</Button>}
            {problem !== null && (
                <FormProblem>
                    {problem.message} {problem.detail}
                </FormProblem>
            )}
            {write.isSuccess && write.data.id !== null && (
                <a href={`/api/v1/jobs/${write.data.id}/file`} className="hit underline" download>
                    {calendar.slug}.ics
                </a>
            )}
        </div>
    );
}
