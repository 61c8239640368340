import { TextField } from '@/components/Field';
import { useDraft } from '@/features/sheet/RotaContext';

/** Takes what is typed while the form of a new event is still on its way: whoever begins one types at once. */
export function TitleMeanwhile() {
    const { draft, setDraft } = useDraft();
    return (
        <aside aria-label="Event" aria-busy="true" className="w-70 shrink-0 border-l border-line bg-paper px-4 py-3.5 max-md:hidden">
            {draft !== null && <TextField label="Title" autoFocus autoComplete="off" value={draft.title} onChange={(event) => setDraft({ ...draft, title: event.target.value })} />}
        </aside>
    );
}
