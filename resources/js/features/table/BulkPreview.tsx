import type { Schemas } from '@/api/client';
import { Scrolling } from '@/components/Scrolling';

type Row = Schemas['BulkPreviewRow'];

/** So many events are listed one by one; of the others it is said how many there are. */
const LISTED = 100;

/** What a change of many events would do, event by event: first what cannot be done. */
export function BulkPreview({ rows, names }: { rows: Row[]; names: (id: number) => string }) {
    const refused = rows.filter((row) => row.what === 'refused');
    const nothing = rows.filter((row) => row.what === 'nothing');
    const done = rows.filter((row) => row.what !== 'refused' && row.what !== 'nothing');
    return (
        <Scrolling as="div" aria-label="What the change would do" className="max-h-[48vh] overflow-y-auto border-y border-line">
            {refused.length > 0 && (
                <section aria-label="What is left out" className="border-b border-line py-2">
                    <p className="font-semibold text-pin-ink">
                        {refused.length} {refused.length === 1 ? 'is' : 'are'} left out:
                    </p>
                    <ul className="mt-0.5">
                        {refused.slice(0, LISTED).map((row) => (
                            <li key={row.id}>
                                <b className="font-semibold">{row.title === '' ? names(row.id) : row.title}</b>: {row.refused}
                            </li>
                        ))}
                    </ul>
                </section>
            )}
            <ul aria-label="What would change" className="py-1.5">
                {done.slice(0, LISTED).map((row) => (
                    <li key={row.id} className="grid grid-cols-[minmax(120px,1fr)_2fr] gap-3 border-b border-hair py-1 last:border-0">
                        <span className="truncate font-semibold" title={row.title}>
                            {row.title}
                        </span>
                        <span className="min-w-0">{row.what === 'delete' ? 'goes' : <Changes row={row} />}</span>
                    </li>
                ))}
            </ul>
            {done.length > LISTED && <p className="pb-2 text-soft">and {done.length - LISTED} more, likewise.</p>}
            {done.length === 0 && <p className="py-2 text-soft italic">Nothing would change.</p>}
            {nothing.length > 0 && done.length > 0 && (
                <p className="pb-2 text-soft">
                    {nothing.length} {nothing.length === 1 ? 'is' : 'are'} so already.
                </p>
            )}
        </Scrolling>
    );
}

function Changes({ row }: { row: Row }) {
    return (
        <>
            {row.changes.slice(0, 6).map((each) => (
                <span key={`${each.of ?? ''}${each.field}`} className="mr-3 inline-block">
                    <span className="text-soft">
                        {each.of !== null && `${each.of}, `}
                        {each.field}:
                    </span>{' '}
                    {each.before !== '' && <del className="text-soft">{each.before}</del>} {each.after === '' ? <i>nothing</i> : <ins className="no-underline">{each.after}</ins>}
                </span>
            ))}
            {row.changes.length > 6 && <span className="text-soft">and more</span>}
        </>
    );
}
