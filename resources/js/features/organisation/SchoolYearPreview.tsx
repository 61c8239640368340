import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { formatFull } from '@/time/dates';
import type { OrganisationInput } from './useOrganisation';

/** So many days are told one by one. */
const TOLD = 12;

/** What other terms and closures would make of all that repeats in term only, before they are saved. */
export function SchoolYearPreview({ input }: { input: Pick<OrganisationInput, 'schoolYear' | 'closures'> }) {
    const asked = useDeferredValue(JSON.stringify(input));
    const change = useQuery({
        queryKey: queryKeys.schoolYearPreview(asked),
        queryFn: ({ signal }) => answered(api.POST('/organisation/school-year/preview', { body: JSON.parse(asked) as OrganisationInput, signal })),
        placeholderData: keepPreviousData,
        retry: false,
    });
    // What is wrong with it is said where it is saved.
    if (change.data === undefined || change.isError) return null;
    const { series, days } = change.data;
    const [dropped, added] = days.reduce(([out, come], day) => [out + day.dropped, come + day.added], [0, 0]);
    return (
        <div role="status" aria-label="What this would change" className="border-l-[3px] border-line pl-3 text-[13px]">
            {series === 0 ? (
                <p className="text-soft">No repeat that is in term only changes by this.</p>
            ) : (
                <>
                    <p>
                        <b>{series === 1 ? '1 repeat' : `${series} repeats`}</b> in term only would change: {dropped === 1 ? '1 time goes' : `${dropped} times go`}, {added === 1 ? '1 comes' : `${added} come`}.
                    </p>
                    <ul className="text-soft">
                        {days.slice(0, TOLD).map((day) => (
                            <li key={day.date}>
                                {formatFull(day.date)}: {[day.dropped > 0 ? `${day.dropped} fewer` : '', day.added > 0 ? `${day.added} more` : ''].filter((words) => words !== '').join(', ')}
                            </li>
                        ))}
                        {days.length > TOLD && <li>and on {days.length - TOLD} days more</li>}
                    </ul>
                </>
            )}
        </div>
    );
}
