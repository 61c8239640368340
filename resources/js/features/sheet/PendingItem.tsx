import { useRota } from '@/features/overlays/RotaContext';
import { useCalendars } from '@/features/calendars/useCalendars';
import { ItemFace, type Shape } from './ItemView';

/** The event that is being written, in the colour of the calendar it will go on. */
export function PendingItem({ shape }: { shape: Shape }) {
    const { draft } = useRota();
    const calendars = useCalendars();
    const calendar = calendars.data?.find((each) => each.slug === draft?.calendar);
    if (draft === null || calendar === undefined) return null;
    return (
        <div className={`${shape} pending`} data-ink={calendar.colour} data-pending>
            <ItemFace item={{ ...draft, title: draft.title === '' ? 'New event' : draft.title }} shape={shape} mark={calendar.mark} />
        </div>
    );
}
