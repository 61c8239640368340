import { useCallback, useState } from 'react';
import { refusalOf, type Move } from '@/features/sheet/landing';
import { toast } from '@/toast/toast';
import { useEventActions } from './useEventActions';
import { following, type Scope } from './scope';
import { lazily } from '@/components/lazily';

const MoveQuestion = lazily(() => import('./MoveQuestion'), 'MoveQuestion');
const SeriesQuestion = lazily(() => import('./SeriesQuestion'), 'SeriesQuestion');

/** Moves events about the sheet: asks first where one move means two changes, or where the event repeats. */
export function useMoves() {
    const { move: mutation } = useEventActions();
    const { mutate } = mutation;
    const [both, setBoth] = useState<Move | null>(null);
    const [series, setSeries] = useState<Move | null>(null);
    const settle = useCallback(
        (move: Move) => {
            if (move.item.repeats) setSeries(move);
            else mutate({ move, scope: null });
        },
        [mutate],
    );
    const move = useCallback(
        (wanted: Move) => {
            const refusal = refusalOf(wanted);
            if (refusal !== null) toast.error(refusal);
            else if (wanted.rows !== null && wanted.startBy !== 0) setBoth(wanted);
            else settle(wanted);
        },
        [settle],
    );
    const scoped = (scope: Scope) => series !== null && mutate({ move: series, scope });
    // A single time of a series stays on the calendar of its series.
    const wholeOnly = series?.rows != null && (series.rows.to.kind === 'layer' || series.rows.to.kind === 'calendar');
    const question = (
        <>
            {both !== null && <MoveQuestion move={both} onClose={() => setBoth(null)} onMove={settle} />}
            {series !== null && (
                <SeriesQuestion doing="change" id={series.item.id} occurrence={series.item.occurrence} title={`Move “${series.item.title}”`} onClose={() => setSeries(null)} onOne={wholeOnly ? undefined : () => scoped(series.item.occurrence)} onFollowing={wholeOnly ? undefined : () => scoped(following(series.item.occurrence ?? ''))} onAll={() => scoped(null)} />
            )}
        </>
    );
    return { move, question };
}
