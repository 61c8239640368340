import { useState } from 'react';
import { Button } from '@/components/Button';
import { CopyField } from '@/components/CopyField';
import type { Calendar } from '@/features/calendars/useCalendars';
import { PublicationDialog } from './PublicationDialog';
import { usePublications } from './usePublications';
import { AUDIENCES, DETAILS, periodWords } from './words';

type Props = { calendar: Calendar; /** Whether the calendar itself is shared with the public. */ isPublic: boolean };

/** What goes out of a calendar besides the level that the public has: each page, what it gives away, and its address. */
export function PagesForThePublic({ calendar, isPublic }: Props) {
    const publications = usePublications();
    const [publishing, setPublishing] = useState(false);
    const pages = publications.data?.filter((each) => each.of === 'calendar' && each.slug === calendar.slug) ?? [];
    return (
        <div className="w-full pb-1 pl-7">
            {pages.length > 0 && (
                <ul aria-label="What goes out of it" className="text-xs text-soft">
                    {pages.map((each) => (
                        <li key={each.id} className="py-1">
                            <b className="font-semibold text-ink">{each.name}</b>: {DETAILS[each.detail]}, {periodWords(each)}, for {AUDIENCES[each.audience]}
                            {each.paused && ', paused'}
                            {each.address !== null && <CopyField label={`Address of ${each.name}`} value={each.address} />}
                        </li>
                    ))}
                </ul>
            )}
            {isPublic && !pages.some((each) => each.audience === 'everybody') && (
                <p className="flex flex-wrap items-center gap-2 py-1 text-soft">
                    A file for devices is all that the public has so far.
                    <Button onClick={() => setPublishing(true)}>Give it a page, too</Button>
                </p>
            )}
            {publishing && <PublicationDialog publication={null} begun={{ of: `calendar:${calendar.slug}`, name: calendar.name, audience: 'everybody' }} onClose={() => setPublishing(false)} />}
        </div>
    );
}
