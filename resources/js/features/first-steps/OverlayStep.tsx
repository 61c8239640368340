import { Link } from '@tanstack/react-router';
import { buttonLook } from '@/components/buttonLook';
import { useCalendars } from '@/features/calendars/useCalendars';

export function OverlayStep() {
    const calendars = useCalendars();
    if (calendars.data?.every((each) => each.own) === true) return <p>It takes a calendar to lay: make one first.</p>;
    return (
        <Link to="/" search={{ laying: true }} className={buttonLook('primary')}>
            Lay an overlay
        </Link>
    );
}
