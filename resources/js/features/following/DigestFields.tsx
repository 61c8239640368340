import { useQueryClient } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { SavedCheckField } from '@/components/SavedCheckField';
import { isDone } from '@/components/useTicked';
import { formatMoment } from '@/time/dates';
import { toast } from '@/toast/toast';

type Digest = Schemas['Digest'];

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const HOURS = Array.from({ length: 24 }, (_, hour) => hour);

/** When a digest comes, kept as it is chosen. */
export function DigestFields({ digest }: { digest: Digest }) {
    const client = useQueryClient();
    const put = useAction((change: Partial<Digest>) => answered(api.PUT('/digests/{pace}', { params: { path: { pace: isWeekly ? 'weekly' : 'daily' } }, body: { hour: digest.hour, weekday: digest.weekday, byMail: digest.byMail, ...change } })), {
        onDone: (following) => {
            client.setQueryData(queryKeys.follows, following);
            const now = following.digests.find(({ pace }) => pace === digest.pace);
            toast(now?.byMail === true ? `It comes next on ${formatMoment(now.next)}.` : 'It does not come by mail any more.');
        },
    });
    const isWeekly = digest.pace === 'weekly';
    const name = isWeekly ? 'once a week' : 'once a day';
    return (
        <div role="group" aria-label={`Digest ${name}`} className="flex flex-wrap items-center gap-x-3 gap-y-1 border border-line bg-sheet px-3 py-1.5">
            <SavedCheckField label={`by mail, ${name}`} checked={digest.byMail} disabled={put.isPending} take={(byMail) => isDone(put.mutateAsync({ byMail }))} />
            {isWeekly && (
                <label className="flex items-center gap-1.5">
                    on
                    <select aria-label="Day of the digest" className="min-h-7 border border-line bg-sheet px-1 pointer-coarse:min-h-11" value={digest.weekday} disabled={put.isPending} onChange={(event) => put.mutate({ weekday: Number(event.target.value) })}>
                        {DAYS.map((day, index) => (
                            <option key={day} value={index}>
                                {day}
                            </option>
                        ))}
                    </select>
                </label>
            )}
            <label className="flex items-center gap-1.5">
                at
                <select aria-label={`Hour of the digest ${name}`} className="min-h-7 border border-line bg-sheet px-1 pointer-coarse:min-h-11" value={digest.hour} disabled={put.isPending} onChange={(event) => put.mutate({ hour: Number(event.target.value) })}>
                    {HOURS.map((hour) => (
                        <option key={hour} value={hour}>
                            {hour}:00
                        </option>
                    ))}
                </select>
            </label>
            {digest.byMail && <span className="text-soft">next {formatMoment(digest.next)}</span>}
        </div>
    );
}
