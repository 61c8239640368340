import type { Event } from './useEventActions';

/** Says before it happens that times changed on their own do not outlive a change between days and hours. */
export function KindNote({ event, allDay }: { event: Event; allDay: boolean }) {
    const changed = event.repeat?.changed.length ?? 0;
    if (changed === 0 || allDay === event.allDay) return null;
    return (
        <p role="status" className="border-l-[3px] border-pin pl-2 text-[12.5px]">
            {changed === 1 ? 'One time was' : `${changed} times were`} changed on {changed === 1 ? 'its' : 'their'} own. Where the series {allDay ? 'lasts whole days' : 'has hours'} from now on, {changed === 1 ? 'it is' : 'they are'} as the others again.
        </p>
    );
}
