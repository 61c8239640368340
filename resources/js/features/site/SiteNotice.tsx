import { formatMoment } from '@/time/dates';
import { useSite } from './useSite';

/** Says to administrators what of the site stands still, and what to do. */
export function SiteNotice() {
    const stopped = useSite().data?.stopped ?? [];
    if (stopped.length === 0) return null;
    return (
        <div role="status" className="border-b-2 border-pin bg-wash px-4 py-2">
            {stopped.map(({ part, undone, unit, since }) => (
                <p key={part} className="[overflow-wrap:anywhere]">
                    <b className="font-semibold">
                        {since === null ? 'Until now' : `Since ${formatMoment(since)}`} {undone}.
                    </b>{' '}
                    <span className="text-soft">
                        Whoever looks after the server finds more with <code>systemctl status {unit}</code>.
                    </span>
                </p>
            ))}
        </div>
    );
}
