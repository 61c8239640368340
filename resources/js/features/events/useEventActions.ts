import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answered, api, done, ifMatch, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { askAnew, tellRefusal, useRefresh } from '@/api/useAction';
import type { Item } from '@/features/sheet/geometry';
import type { Sheet } from '@/features/sheet/useSheet';
import { landed, rowChange, rowWords, shifted, type Move } from '@/features/sheet/landing';
import { formatWhen } from '@/time/dates';
import { useEventName } from './useEventName';
import { isFollowing, occurrenceOf, scopeQuery, type Scope } from './scope';
import { useTellDone } from '@/features/history/useTellDone';

export type Event = Schemas['Event'];
export type EventInput = Schemas['EventInput'];
export type EventChange = Schemas['EventChange'];

/** With `as`, as that person sees it. */
export function fetchEvent(id: number, scope: Scope, as?: number): Promise<Event> {
    return answered(api.GET('/events/{id}', { params: { path: { id }, query: { occurrence: occurrenceOf(scope) ?? undefined, as } } }));
}

/** What can be done to events on the sheet itself. Each says what it did, and can be undone. */
export function useEventActions() {
    const client = useQueryClient();
    const refreshAll = useRefresh();
    const refresh = () => refreshAll('events');
    const tellDone = useTellDone();
    const named = useEventName();
    const remove = useMutation({
        mutationFn: ({ event, scope }: { event: Event; scope: Scope }) => done(api.DELETE('/events/{id}', { params: { path: { id: event.id }, query: scopeQuery(scope), header: ifMatch(event.version) } })),
        onSuccess: ({ operation }, { event }) => {
            // What is gone is asked for no more.
            const [topic, kind, id] = queryKeys.event(event.id);
            void askAnew(client, { queryKey: [topic], predicate: ({ queryKey }) => queryKey[1] !== kind || queryKey[2] !== id });
            tellDone(operation, `Deleted: ${named(event)}. The page of the calendar keeps what is deleted.`);
        },
        onError: tellRefusal,
    });

    const move = useMutation({
        mutationKey: ['move'],
        // One after the other, so that two quick changes of one event do not race.
        scope: { id: 'move' },
        mutationFn: async ({ move, scope }: { move: Move; scope: Scope }) => {
            // The sheet tells times on the reader's wall; the event is moved on its own.
            const event = await fetchEvent(move.item.id, scope);
            const part: EventChange = {
                ...(move.startBy === 0 && move.endBy === 0 ? {} : { start: shifted(event.start, move.startBy), end: shifted(event.end, move.endBy) }),
                ...(move.rows === null ? {} : rowChange(move.rows)),
                soon: true,
            };
            return done(api.PATCH('/events/{id}', { params: { path: { id: move.item.id }, query: scopeQuery(scope), header: ifMatch(event.version) }, body: part }));
        },
        onMutate: async ({ move, scope }) => {
            await client.cancelQueries({ queryKey: queryKeys.sheets });
            const sheets = client.getQueriesData<Sheet>({ queryKey: queryKeys.sheets });
            for (const [key, sheet] of sheets) {
                if (sheet?.items === undefined) continue;
                const taken = (each: Item) => ({ ...each, ...landed({ ...move, item: each }) });
                const items = sheet.items.map((each) => (each.id === move.item.id && (scope === null || each.occurrence === move.item.occurrence || (isFollowing(scope) && each.start >= move.item.start)) ? taken(each) : each));
                client.setQueryData<Sheet>(key, { ...sheet, items: items.sort((a, b) => (a.start < b.start ? -1 : 1)) });
            }
            return { sheets };
        },
        onSuccess: ({ answer: saved, operation }, { move }) => tellDone(operation, movedWords(move, saved)),
        onError: (error, _, context) => {
            context?.sheets.forEach(([key, sheet]) => client.setQueryData(key, sheet));
            tellRefusal(error);
        },
        // While another one waits, what is fetched would undo on the sheet what is to come.
        onSettled: () => (client.isMutating({ mutationKey: ['move'] }) > 1 ? undefined : refresh()),
    });

    return { remove, move };
}

function movedWords(move: Move, saved: Event): string {
    const row = move.rows === null ? '' : `${rowWords(move.rows.to)}`;
    if (move.startBy === 0 && move.endBy === 0) return `“${saved.title}” is ${row === '' ? 'as it was' : `now ${row}`}.`;
    const when = formatWhen(landed(move));
    return move.startBy === move.endBy ? `“${saved.title}” is moved to ${when}${row === '' ? '' : `, ${row}`}.` : `“${saved.title}” is now ${when}.`;
}
