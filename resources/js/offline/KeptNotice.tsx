import { useSyncExternalStore } from 'react';
import { formatMoment } from '@/time/dates';
import { readKeptAt, watchKept } from '@/api/kept';

/** Says that what is shown was read earlier, and cannot be changed now. */
export function KeptNotice() {
    const keptAt = useSyncExternalStore(watchKept, readKeptAt);
    if (keptAt === null) return null;
    return (
        <p role="status" className="border-b border-line bg-wash px-4 py-1.5 text-[13px]">
            <b className="font-semibold">No connection.</b> This is as it was read {formatMoment(keptAt)}; nothing can be changed until there is one again.
        </p>
    );
}
