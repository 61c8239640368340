import type { KeyboardEvent } from 'react';
import { useDraft } from '@/features/sheet/RotaContext';
import { focusOpener } from '@/features/sheet/sheetFocus';

/** Takes what is typed while the form of a new event is still on its way: whoever begins one types at once. */
export function TitleMeanwhile() {
    const { draft, setDraft } = useDraft();
    const onKeyDown = (event: KeyboardEvent) => {
        if (event.key !== 'Escape') return;
        setDraft(null);
        requestAnimationFrame(focusOpener);
    };
    return (
        <aside aria-label="Event" aria-busy="true" className="w-70 shrink-0 border-l border-line bg-paper px-4 py-3.5 max-md:hidden">
            {draft !== null && (
                <label className="flex flex-col gap-1 text-xs text-soft">
                    Title
                    <input
                        type="text"
                        autoFocus
                        autoComplete="off"
                        className="w-full rounded-sm border border-line bg-sheet px-2 py-1.5 text-[13px] text-ink"
                        value={draft.title}
                        onChange={(event) => setDraft({ ...draft, title: event.target.value })}
                        onKeyDown={onKeyDown}
                    />
                </label>
            )}
        </aside>
    );
}
