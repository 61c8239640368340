import { useDraft, type Draft } from '@/features/overlays/RotaContext';
import { useCalendars } from '@/features/calendars/useCalendars';
import { ItemFace, type Shape } from './ItemView';

type Props = { shape: Shape; day: string; calendars?: readonly string[] };

/** Where the event that is being written falls on this day (and in this row), it stands here. */
export function PendingItem({ shape, day, calendars }: Props) {
    const { draft } = useDraft();
    if (draft?.start.slice(0, 10) !== day || calendars?.includes(draft.calendar) === false) return null;
    return <Pending draft={draft} shape={shape} />;
}

/** In the colour of the calendar it will go on. */
function Pending({ draft, shape }: { draft: Draft; shape: Shape }) {
    const calendars = useCalendars();
    const calendar = calendars.data?.find((each) => each.slug === draft.calendar);
    if (calendar === undefined) return null;
    return (
        <div className={`${shape} pending`} data-ink={calendar.colour} data-pending>
            <ItemFace item={{ ...draft, title: draft.title === '' ? 'New event' : draft.title }} shape={shape} mark={calendar.mark} />
        </div>
    );
}
