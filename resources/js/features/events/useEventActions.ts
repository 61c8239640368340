import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useContext } from 'react';
import { toast } from 'sonner';
import { api, Problem, type Schemas } from '@/api/client';
import type { Item } from '@/features/sheet/geometry';
import { RotaContext } from '@/features/overlays/RotaContext';
import type { Sheet } from '@/features/overlays/useSheet';
import { landed, rowChange, rowWords, shifted, type Move } from '@/features/sheet/landing';
import { formatDate, formatWhen } from '@/time/dates';

export type Event = Schemas['Event'];
export type EventInput = Schemas['EventInput'];
export type EventChange = Schemas['EventChange'];

/** One occurrence of a series, or (null) all of it. */
export type Scope = string | null;

const query = (occurrence: Scope) => ({ query: { occurrence: occurrence ?? undefined } });

/** With `as`, as that person sees it. */
export function fetchEvent(id: number, occurrence: Scope, as?: number): Promise<Event> {
    return api<Event>('GET', `/events/${id}`, { query: { occurrence: occurrence ?? undefined, as: as?.toString() } });
}

/** What can be done to events. Each says what it did, and can be undone. */
export function useEventActions() {
    const client = useQueryClient();
    const rota = useContext(RotaContext);
    const refresh = () => client.invalidateQueries({ predicate: ({ queryKey }) => ['sheet', 'ruler', 'event', 'categories'].includes(String(queryKey[0])) });
    const nameOf = (slug: string) => client.getQueryData<Schemas['Calendar'][]>(['calendars'])?.find((each) => each.slug === slug)?.name ?? slug;
    const refused = (error: unknown) => {
        const told = error instanceof Problem ? error : null;
        toast.error(told?.message ?? 'Something went wrong.', { description: told?.fields[0]?.message ?? told?.detail });
    };
    const undo = (step: () => Promise<unknown>) => ({ label: 'Undo', onClick: () => void step().then(refresh, refused) });

    const create = useMutation({
        mutationFn: (input: EventInput) => api<Event>('POST', '/events', { body: input }),
        onSuccess: (event) => {
            void refresh();
            toast(`Added to ${nameOf(event.calendar)}, ${formatDate(event.start, 'weekdayDay')}.`, {
                action: undo(() => api('DELETE', `/events/${event.id}`, { version: event.version })),
                // Opened, it is moved to another calendar by one choice.
                ...(rota === null ? {} : { cancel: { label: 'Move…', onClick: () => rota.go({ event: event.id, occurrence: undefined }) } }),
            });
        },
    });

    const update = useMutation({
        mutationFn: ({ event, scope, change }: { event: Event; scope: Scope; change: EventChange }) =>
            api<Event>('PATCH', `/events/${event.id}`, { ...query(scope), body: change, version: event.version }),
        onSuccess: (saved, { event, scope, change }) => {
            void refresh();
            toast(saved.calendar === event.calendar ? `“${saved.title}” is changed.` : `Moved to ${nameOf(saved.calendar)}.`, {
                action: undo(() => api('PATCH', `/events/${event.id}`, { ...query(scope), body: before(event, change), version: saved.version })),
            });
        },
    });

    const remove = useMutation({
        mutationFn: ({ event, scope }: { event: Event; scope: Scope }) => api<void>('DELETE', `/events/${event.id}`, { ...query(scope), version: event.version }),
        onSuccess: (_, { event, scope }) => {
            void refresh();
            toast(`“${event.title}” is deleted from ${nameOf(event.calendar)}.`, {
                action: undo(() => api('POST', `/events/${event.id}/restore`, query(scope))),
            });
        },
        onError: refused,
    });

    const move = useMutation({
        mutationKey: ['move'],
        // One after the other, so that two quick changes of one event do not race.
        scope: { id: 'move' },
        mutationFn: async ({ move, scope }: { move: Move; scope: Scope }) => {
            // The sheet tells times on the reader's wall; the event is moved on its own.
            const event = await fetchEvent(move.item.id, scope);
            const change: EventChange = {
                ...(move.startBy === 0 && move.endBy === 0 ? {} : { start: shifted(event.start, move.startBy), end: shifted(event.end, move.endBy) }),
                ...(move.rows === null ? {} : rowChange(move.rows, event)),
            };
            const saved = await api<Event>('PATCH', `/events/${move.item.id}`, { ...query(scope), body: change, version: event.version });
            return { event, saved, change };
        },
        onMutate: async ({ move, scope }) => {
            await client.cancelQueries({ queryKey: ['sheet'] });
            const sheets = client.getQueriesData<Sheet>({ queryKey: ['sheet'] });
            for (const [key, sheet] of sheets) {
                if (sheet?.items === undefined) continue;
                const taken = (each: Item) => ({ ...each, ...landed({ ...move, item: each }) });
                const items = sheet.items.map((each) => (each.id === move.item.id && (scope === null || each.occurrence === move.item.occurrence) ? taken(each) : each));
                client.setQueryData<Sheet>(key, { ...sheet, items: items.sort((a, b) => (a.start < b.start ? -1 : 1)) });
            }
            return { sheets };
        },
        onSuccess: ({ event, saved, change }, { move, scope }) => {
            toast(movedWords(move, saved), { action: undo(() => api('PATCH', `/events/${saved.id}`, { ...query(scope), body: before(event, change), version: saved.version })) });
        },
        onError: (error, _, context) => {
            context?.sheets.forEach(([key, sheet]) => client.setQueryData(key, sheet));
            refused(error);
        },
        // While another one waits, what is fetched would undo on the sheet what is to come.
        onSettled: () => (client.isMutating({ mutationKey: ['move'] }) > 1 ? undefined : refresh()),
    });

    return { create, update, remove, move };
}

/** Those whom the directory knows, as an input names them. */
export function knownOf(participants: Event['participants']): Schemas['ParticipantInput'][] {
    return participants.flatMap(({ kind, id, part }) => (kind === 'other' || id === null ? [] : { kind, id, part }));
}

/** What of an event a change would have to put back. */
function before(event: Event, change: EventChange): EventChange {
    const participants = knownOf(event.participants);
    const responsible = participants.flatMap((each) => (each.part === 'responsible' && each.kind === 'person' ? each.id : []));
    const all: EventChange = { ...event, participants, responsible, repeat: event.repeat?.rule == null ? null : { rule: event.repeat.rule, until: event.repeat.until, count: event.repeat.count } };
    return Object.fromEntries(Object.keys(change).map((key) => [key, all[key as keyof EventChange] ?? null]));
}

function movedWords(move: Move, saved: Event): string {
    const row = move.rows === null ? '' : `${rowWords(move.rows.to)}`;
    if (move.startBy === 0 && move.endBy === 0) return `“${saved.title}” is ${row === '' ? 'as it was' : `now ${row}`}.`;
    const when = formatWhen(landed(move));
    return move.startBy === move.endBy ? `“${saved.title}” is moved to ${when}${row === '' ? '' : `, ${row}`}.` : `“${saved.title}” is now ${when}.`;
}
