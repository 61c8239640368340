import { useIsMutating, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Problem } from '@/api/client';
import { Failed, Loading } from '@/components/States';
import { useDraft, useRota } from '@/features/sheet/RotaContext';
import { EventForm } from './EventForm';
import { EventPanel } from './EventPanel';
import { forgetForm, useKeptForms } from '@/features/kept/keptForms';
import { focusEvent, focusOpener } from '@/features/sheet/sheetFocus';
import { KEPT, type KeptEvent } from './keptEvent';
import { fetchEvent, type Event } from './useEventActions';
import { type Scope } from './scope';
import { queryKeys } from '@/api/queryKeys';

/** The event that is open or being written, beside the sheet and never over it. */
export function EventAside() {
    const rota = useRota();
    const { draft, setDraft } = useDraft();
    const { event: id, occurrence } = rota.search;
    const close = () => {
        setDraft(null);
        rota.go({ event: undefined, occurrence: undefined, changing: undefined });
        requestAnimationFrame(focusOpener);
    };
    const added = (saved?: Event) => {
        setDraft(null);
        if (saved !== undefined) focusEvent(saved.id);
    };
    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            if (event.key === 'Escape' && document.querySelector('[role=dialog],[role=menu]') === null) close();
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    });
    return (
        <aside
            aria-label="Event"
            className="w-70 shrink-0 overflow-y-auto border-l border-line bg-paper px-4 py-3.5 max-md:fixed max-md:inset-x-0 max-md:bottom-13 max-md:z-30 max-md:max-h-[82vh] max-md:w-auto max-md:border-t-2 max-md:border-l-0 max-md:border-ink max-md:shadow-(--shadow)"
        >
            {draft !== null ? (
                <EventForm event={null} scope={null} onDone={added} onLeave={close} />
            ) : (
                <OpenEvent key={`${id}:${occurrence ?? ''}`} id={id ?? 0} occurrence={occurrence ?? null} onClose={close} />
            )}
        </aside>
    );
}

function OpenEvent({ id, occurrence, onClose }: { id: number; occurrence: Scope; onClose: () => void }) {
    const rota = useRota();
    const { as, changing } = rota.search;
    const [editing, setEditing] = useState<{ scope: Scope } | null>(changing === true ? { scope: occurrence } : null);
    // Of a series, the form is about the series itself or about the one time that was opened.
    const shown = editing === null ? occurrence : editing.scope;
    const client = useQueryClient();
    const asked = (scope: Scope) => ({ queryKey: queryKeys.event(id, scope, as), queryFn: () => fetchEvent(id, scope, as), staleTime: 0 });
    // While it is being moved it is not asked for: what came back would be a version that is about to be another.
    const moving = useIsMutating({ mutationKey: ['move'] }) > 0;
    const event = useQuery({ ...asked(shown), enabled: !moving });
    // A form goes on from what it opens with, so it opens with what the event is now.
    const edit = (scope: Scope) => void client.fetchQuery(asked(scope)).catch(() => undefined).finally(() => setEditing({ scope }));
    const panel = useRef<HTMLDivElement>(null);
    const leave = () => {
        setEditing(null);
        rota.go({ changing: undefined });
        requestAnimationFrame(() => panel.current?.querySelector<HTMLElement>('[data-first]')?.focus());
    };
    const kept = useKeptForms<KeptEvent>(`${KEPT}${id}:`)[0];
    // What somebody else does meanwhile does not take the form away that one is typing in.
    const [last, setLast] = useState(event.data);
    if (event.data !== undefined && event.data !== last) setLast(event.data);
    const gone = event.error instanceof Problem && event.error.status === 404;
    if (editing !== null && last !== undefined) {
        return (
            <EventForm
                key={String(editing.scope)}
                event={last}
                scope={editing.scope}
                gone={gone}
                onDone={(saved) => {
                    if (!gone) return leave();
                    rota.go({ event: saved?.id, occurrence: undefined, changing: undefined });
                }}
                onLeave={gone ? onClose : leave}
            />
        );
    }
    if (event.isPending) return <Loading what="the event" />;
    if (event.isError) {
        return (
            <>
                <Failed error={event.error} retry={() => void event.refetch()} />
                <button type="button" className="hit ml-4 underline" onClick={onClose}>
                    Close
                </button>
            </>
        );
    }
    return (
        <div ref={panel}>
            {kept !== undefined && (
                <p role="status" className="mb-2 flex flex-wrap items-baseline gap-x-2 border-l-[3px] border-pin pl-2.5 text-[12.5px]">
                    You had begun to change it.
                    <button type="button" className="hit underline" onClick={() => edit(kept.values.scope)}>
                        Go on
                    </button>
                    <button type="button" className="hit text-soft underline" onClick={() => forgetForm(kept.name)}>
                        Throw away
                    </button>
                </p>
            )}
            <EventPanel event={event.data} onEdit={edit} onClose={onClose} />
        </div>
    );
}
