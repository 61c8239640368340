import { useQuery } from '@tanstack/react-query';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { Button } from '@/components/Button';
import { Folded } from '@/components/Folded';
import { Failed } from '@/components/States';
import type { Calendar } from '@/features/calendars/useCalendars';
import { useUndo } from '@/features/history/useUndo';
import { countsOf } from '@/features/jobs/jobWords';
import { formatMoment } from '@/time/dates';

/** What was brought into a calendar: what, when, by whom, what became of it; the file again, and taken back from here. */
export function ImportsList({ calendar }: { calendar: Calendar }) {
    const imports = useQuery({ queryKey: queryKeys.imports(calendar.slug), queryFn: ({ signal }) => answered(api.GET('/calendars/{slug}/imports', { params: { path: { slug: calendar.slug } }, signal })) });
    const turn = useUndo();
    if (imports.isError) return <Failed error={imports.error} retry={() => void imports.refetch()} />;
    if (imports.data === undefined || imports.data.length === 0) return null;
    return (
        <div className="mt-4">
            <h3 className="text-xs text-soft">Brought in before</h3>
            <ul aria-label="Brought in before" className="border-t border-line">
                <Folded entries={imports.data} keyOf={({ id }) => id} what="imports">
                    {({ id, fileName, at, by, counts, operation, undone, hasFile }) => (
                        <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hair py-1.5">
                            <span className="min-w-48 flex-1">
                                {hasFile ? (
                                    <a href={`/api/v1/imports/${id}/file`} download className="hit underline [overflow-wrap:anywhere]">
                                        {fileName}
                                    </a>
                                ) : (
                                    fileName
                                )}
                                <span className="block text-soft">
                                    {formatMoment(at)}, {by}: {countsOf(counts).toLowerCase()}
                                    {counts.unchanged > 0 && `, ${counts.unchanged} already there`}
                                    {undone && <b className="font-semibold"> (taken back)</b>}
                                </span>
                            </span>
                            {operation !== null && (
                                <Button onClick={() => turn(operation, !undone)} aria-label={`${undone ? 'Bring in again' : 'Take back'}: ${fileName}, ${formatMoment(at)}`}>
                                    {undone ? 'Bring in again' : 'Take back'}
                                </Button>
                            )}
                        </li>
                    )}
                </Folded>
            </ul>
        </div>
    );
}
