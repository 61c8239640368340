import { answered, api, type Schemas } from '@/api/client';
import { tellRefusal, useRefresh } from '@/api/useAction';
import { useCalendars } from '@/features/calendars/useCalendars';
import { takesIn } from '@/features/imports/takesIn';
import { useLongWork } from '@/features/jobs/useLongWork';
import { toast } from '@/toast/toast';

type SourcePin = Schemas['SourcePin'];

/** A calendar to which a source is pinned. */
export type To = { slug: string; name: string };

/** Pins all of a source to calendars, and takes it off again. */
export function usePinning(source: { id: number; name: string }) {
    const fresh = useRefresh();
    const pin = useLongWork(
        ({ slug }: To) => answered(api.POST('/sources/{id}/pins', { params: { path: { id: source.id } }, body: { calendar: slug } })),
        async (_, { name }) => {
            await fresh('access');
            toast(`All of ${source.name} is on ${name}, too, and so is what comes of it later.`);
        },
    );
    const unpin = useLongWork(
        ({ id }: { id: number } & To) => answered(api.DELETE('/sources/{id}/pins/{pin}', { params: { path: { id: source.id, pin: id } } })),
        async (_, to) => {
            await fresh('access');
            toast(`${source.name} is no longer on ${to.name}.`, { action: { label: 'Undo', onClick: () => pin.mutate(to, { onError: tellRefusal }) } });
        },
    );
    return {
        pin: (to: To, onDone?: () => void) => pin.mutate(to, { onError: tellRefusal, ...(onDone === undefined ? {} : { onSuccess: onDone }) }),
        unpin: (id: number, to: To) => unpin.mutate({ id, ...to }, { onError: tellRefusal }),
        isBusy: pin.isPending || unpin.isPending,
    };
}

/** The calendars to which all of a source can be pinned. */
export function usePinTargets(pins: readonly SourcePin[] = []): Schemas['Calendar'][] {
    const calendars = useCalendars().data ?? [];
    return calendars.filter((each) => takesIn(each) && !pins.some(({ calendar, shared }) => shared && calendar?.slug === each.slug));
}
