import { X } from 'lucide-react';
import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { CONTROL, TextField } from '@/components/Field';
import { SavedCheckField } from '@/components/SavedCheckField';
import { isDone } from '@/components/useTicked';
import { COLOURS } from '@/api/generated/words';
import { DeleteCategoryDialog } from './DeleteCategoryDialog';
import { useCalendarActions, useCategories, type Calendar, type Category } from './useCalendars';

type Change = { name?: string; colour?: string | null; closesDay?: boolean };

/** The categories of a calendar, or (null) those common to the organisation, each with a colour. */
export function CategoriesPanel({ calendar }: { calendar: Calendar | null }) {
    const categories = useCategories();
    const { update } = useCalendarActions();
    const [name, setName] = useState('');
    const [chosen, setChosen] = useState<string | null>(null);
    const add = useAction((colour: string) => answered(api.POST('/categories', { body: { name, calendar: calendar?.slug ?? null, colour: colour || null } })), {
        onDone: () => {
            setName('');
            setChosen(null);
        },
        quiet: true,
    });
    const change = useAction(({ category, to }: { category: Category; to: Change }) => answered(api.PATCH('/categories/{id}', { params: { path: { id: category.id } }, body: to })));
    const restore = useAction((category: Category) => answered(api.POST('/categories/{id}/restore', { params: { path: { id: category.id } } })), { onDone: (_, category) => void toast(`“${category.name}” is back, on the events that had it.`) });
    const remove = useAction((category: Category) => answered(api.DELETE('/categories/{id}', { params: { path: { id: category.id } } })), {
        onDone: (_, category) => void toast(`“${category.name}” is deleted; no event has it any more.`, { action: { label: 'Undo', onClick: () => restore.mutate(category) } }),
    });
    const [deleting, setDeleting] = useState<Category | null>(null);
    const own = categories.data?.filter((each) => each.calendar === (calendar?.slug ?? null)) ?? [];
    const common = categories.data?.filter((each) => each.calendar === null) ?? [];
    // One that nothing else has yet, so that they are told apart from the beginning.
    const taken = new Set([...own, ...common].map((each) => each.colour));
    const colour = chosen ?? COLOURS.find((ink) => !taken.has(ink)) ?? COLOURS[0] ?? '';
    return (
        <>
            {calendar !== null && (
                <>
                    <p className="mb-2 text-soft">Common to the organisation: {common.map((each) => each.name).join(', ') || 'none yet'}.</p>
                    <SavedCheckField label="Who adds events may add categories, too" checked={calendar.freeCategories} take={(freeCategories) => isDone(update.mutateAsync({ calendar, input: { freeCategories } }))} />
                </>
            )}
            <ul aria-label="Categories" className="border-t border-line">
                {own.map((category) => (
                    <li key={category.id} className="flex flex-wrap items-center gap-3 border-b border-line py-1">
                        <input
                            aria-label={`Name of ${category.name}`}
                            key={category.name}
                            className={`${CONTROL} w-auto! min-w-32 flex-1 border-transparent`}
                            defaultValue={category.name}
                            maxLength={80}
                            onBlur={(event) => {
                                const to = event.target.value.trim();
                                if (to !== '' && to !== category.name) change.mutate({ category, to: { name: to } });
                            }}
                        />
                        {calendar === null && <SavedCheckField label="closes its days" checked={category.closesDay} take={(closesDay) => isDone(change.mutateAsync({ category, to: { closesDay } }))} />}
                        <ColourSelect label={`Colour of ${category.name}`} value={category.colour ?? ''} onChange={(to) => change.mutate({ category, to: { colour: to || null } })} />
                        <Button look="quiet" className="px-1.5" onClick={() => setDeleting(category)} aria-label={`Delete ${category.name}`}>
                            <X size={15} />
                        </Button>
                    </li>
                ))}
            </ul>
            {deleting !== null && <DeleteCategoryDialog category={deleting} onClose={() => setDeleting(null)} onDelete={() => remove.mutate(deleting)} />}
            <form
                className="mt-2 flex max-w-md items-end gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    add.mutate(colour);
                }}
            >
                <TextField label="A new category" fieldClassName="flex-1" value={name} error={problemOf(add)?.field('name')} onChange={(event) => setName(event.target.value)} />
                <ColourSelect label="Colour of the new category" value={colour} onChange={setChosen} />
                <Button type="submit" className="min-h-8" disabled={name.trim() === '' || add.isPending}>
                    Add it
                </Button>
            </form>
        </>
    );
}

function ColourSelect({ label, value, onChange }: { label: string; value: string; onChange: (colour: string) => void }) {
    return (
        <span className="flex items-center gap-2">
            <span data-ink={value || undefined} aria-hidden="true" className="size-3.5 shrink-0 rounded-sm border border-line bg-(--k,transparent)" />
            <select aria-label={label} className={`${CONTROL} w-28!`} value={value} onChange={(event) => onChange(event.target.value)}>
                <option value="">no colour</option>
                {COLOURS.map((ink) => (
                    <option key={ink}>{ink}</option>
                ))}
            </select>
        </span>
    );
}
