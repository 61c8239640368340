import { useMutation } from '@tanstack/react-query';
import { useContext } from 'react';
import { api, done, ifMatch } from '@/api/client';
import { useRefresh } from '@/api/useAction';
import { useTellDone } from '@/features/history/useTellDone';
import { rememberKind } from '@/features/sheet/lastKind';
import { placeOf } from '@/features/sheet/inView';
import { RotaContext } from '@/features/sheet/RotaContext';
import { rememberTarget } from './lastTarget';
import { isFollowing, scopeQuery, type Scope } from './scope';
import type { Event, EventChange, EventInput } from './useEventActions';
import { useEventName } from './useEventName';
import { people } from './useTelling';

const toldWords = (told = 0) => (told === 0 ? '' : ` ${people(told)} ${told === 1 ? 'is' : 'are'} told by mail.`);

/** What forms and the line do: an event is added, or changed. Each says what it did, and can be undone. */
export function useEventSaves() {
    const rota = useContext(RotaContext);
    const refreshAll = useRefresh();
    const refresh = () => refreshAll('events');
    const tellDone = useTellDone();
    const named = useEventName();

    const create = useMutation({
        // What is clicked or typed is on the wall of the sheet, unless the event says another zone.
        mutationFn: ({ input }: { input: EventInput; told?: number }) => done(api.POST('/events', { body: rota === null || input.timezone !== undefined ? input : { ...input, tz: rota.zone } })),
        onSuccess: ({ answer: event, operation }, { told }) => {
            void refresh();
            rememberTarget(rota === null ? 'all' : placeOf(rota.through), event.calendar);
            rememberKind(event.allDay);
            // Opened, it is moved to another calendar by one choice.
            tellDone(operation, `Added: ${named(event)}.${toldWords(told)}`, rota === null ? {} : { cancel: { label: 'Move…', onClick: () => rota.go({ event: event.id, occurrence: undefined }) } });
        },
    });

    const update = useMutation({
        mutationFn: ({ event, scope, change: part }: { event: Event; scope: Scope; change: EventChange; /** How many are told of it by mail. */ told?: number }) =>
            done(api.PATCH('/events/{id}', { params: { path: { id: event.id }, query: scopeQuery(scope), header: ifMatch(event.version) }, body: part })),
        onSuccess: ({ answer: saved, operation }, { event, scope, told }) => {
            void refresh();
            // From here on it is a series of its own.
            if (isFollowing(scope)) rota?.go({ event: saved.id, occurrence: undefined });
            tellDone(operation, `${saved.calendar === event.calendar ? 'Changed' : 'Moved'}: ${named(saved)}.${toldWords(told)}`);
        },
    });

    return { create, update };
}
