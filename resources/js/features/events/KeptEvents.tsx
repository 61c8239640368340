import { FilePen } from 'lucide-react';
import { epochNow } from '@/time/dates';
import { forgetForm, useKeptForms, type KeptForm } from '@/features/kept/keptForms';
import { useDraft, useRota } from '@/features/sheet/RotaContext';
import { noteOpener } from '@/features/sheet/sheetFocus';
import type { EventValues } from './eventValues';
import { KEPT, type KeptEvent } from './keptEvent';

/** So many at once: whoever has more goes on with the newest first. */
const MOST = 3;

/** Events that were being written or changed when their form was closed: they are gone on with, or thrown away. */
export function KeptEvents() {
    const rota = useRota();
    const { draft, setDraft } = useDraft();
    const forms = useKeptForms<KeptEvent>(KEPT);
    // While a form is open it is the one that is being written.
    if (draft !== null || rota.search.event !== undefined || forms.length === 0) return null;
    const goOn = ({ name, values: { event, scope, values } }: KeptForm<KeptEvent>) => {
        noteOpener();
        if (event !== null) return rota.go({ event, occurrence: scope ?? undefined, changing: true });
        setDraft({ ...begunOf(values), begun: epochNow(), kept: { name, values } });
    };
    return (
        <ul aria-label="Not saved yet" className="shrink-0 border-b border-line bg-wash px-4.5 py-1">
            {forms.slice(0, MOST).map((form) => (
                <li key={form.name} className="flex flex-wrap items-center gap-x-3 gap-y-0.5 text-[12.5px]">
                    <FilePen size={13} aria-hidden="true" className="text-soft" />
                    <span className="min-w-0 flex-1 truncate">
                        Not saved yet: <b className="font-semibold">{form.label}</b>
                    </span>
                    <button type="button" className="hit underline" aria-label={`Go on with ${form.label}`} onClick={() => goOn(form)}>
                        Go on
                    </button>
                    <button type="button" className="hit text-soft underline" aria-label={`Throw away ${form.label}`} onClick={() => forgetForm(form.name)}>
                        Throw away
                    </button>
                </li>
            ))}
        </ul>
    );
}

function begunOf({ calendar, title, allDay, startDate, startTime, endDate, endTime }: EventValues) {
    return { calendar, title, allDay, start: allDay ? startDate : `${startDate}T${startTime}`, end: allDay ? endDate : `${endDate}T${endTime}` };
}
