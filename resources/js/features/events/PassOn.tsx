import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api } from '@/api/client';
import { withFrame } from '@/api/frame';
import { queryKeys } from '@/api/queryKeys';
import { Button } from '@/components/Button';
import { CopyField } from '@/components/CopyField';
import type { Event } from './useEventActions';

/** An event for others, or for a diary elsewhere: its address here, its published pages, and a file of it. */
export function PassOn({ event }: { event: Event }) {
    const [open, setOpen] = useState(false);
    return (
        <>
            <Button className="border-line" aria-expanded={open} onClick={() => setOpen(!open)}>
                Pass on
            </Button>
            {open && <Ways event={event} />}
        </>
    );
}

function Ways({ event }: { event: Event }) {
    const query = event.occurrence === null ? {} : { occurrence: event.occurrence };
    const pages = useQuery({
        queryKey: queryKeys.pagesOfEvent(event.id, event.occurrence),
        queryFn: ({ signal }) => answered(api.GET('/events/{id}/pages', { params: { path: { id: event.id }, query }, signal })),
        enabled: !event.busyOnly,
    });
    return (
        <div role="group" aria-label="Ways to pass it on" className="w-full border-l-[3px] border-line pl-2.5">
            <p className="text-xs text-soft">For whoever may see it here</p>
            <CopyField label="Address of the event" value={addressOf(event)} />
            {pages.data?.map((page) => (
                <div key={page.address} className="mt-2">
                    <p className="text-xs text-soft">
                        {page.audience === 'everybody' ? 'For everybody' : 'For whoever has the link'}: {page.name}
                    </p>
                    <CopyField label={`Its page in ${page.name}`} value={page.address} />
                </div>
            ))}
            <p className="mt-2 flex flex-wrap gap-x-4">
                <a href={fileOf(event.id, event.occurrence)} download className="hit underline">
                    Take it as a file
                </a>
                {event.occurrence !== null && (
                    <a href={fileOf(event.id, null)} download className="hit underline">
                        with all its times
                    </a>
                )}
            </p>
        </div>
    );
}

function fileOf(id: number, occurrence: string | null): string {
    return withFrame(`/api/v1/events/${id}/file${occurrence === null ? '' : `?${new URLSearchParams({ occurrence }).toString()}`}`);
}

/** It opens on the day of the event, on its own calendar. */
function addressOf(event: Event): string {
    const query = new URLSearchParams({ calendar: event.calendar, date: event.start.slice(0, 10), event: String(event.id), ...(event.occurrence === null ? {} : { occurrence: event.occurrence }) });
    return `${window.location.origin}/?${query.toString()}`;
}
