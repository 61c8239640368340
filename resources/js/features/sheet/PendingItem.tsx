import { useDraft, type Draft } from './RotaContext';
import { useCalendars } from '@/features/calendars/useCalendars';
import { lastDay } from './geometry';
import { ItemFace, type Shape } from './ItemView';
import { wouldStandIn, type LaneRow } from './rows';

type Props = { shape: Shape; day: string; row?: LaneRow };

/** Where the event that is being written falls on this day (and in this row), it stands here. */
export function PendingItem({ shape, day, row }: Props) {
    const { draft } = useDraft();
    if (draft === null || day < draft.start.slice(0, 10) || day > lastDay(draft) || (row !== undefined && !wouldStandIn(draft, row))) return null;
    return <Pending draft={draft} shape={shape} />;
}

/** In the colour of the calendar it will go on, which it names. */
function Pending({ draft, shape }: { draft: Draft; shape: Shape }) {
    const calendars = useCalendars();
    const calendar = calendars.data?.find((each) => each.slug === draft.calendar);
    if (calendars.data === undefined) return null;
    return (
        <div className={`${shape} pending`} data-ink={calendar?.colour} data-pending>
            <ItemFace item={{ ...draft, title: draft.title === '' ? 'New event' : draft.title }} shape={shape} mark={calendar?.mark ?? 'ring'} />
            {shape === 'ticket' && <span className="block truncate text-[10.5px] text-soft">{calendar?.name ?? 'on no calendar yet'}</span>}
        </div>
    );
}
