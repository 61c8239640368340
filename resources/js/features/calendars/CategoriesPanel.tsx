import { X } from 'lucide-react';
import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { CheckField, CONTROL, TextField } from '@/components/Field';
import { COLOURS } from '@/api/generated/words';
import { useCalendarActions, useCategories, type Calendar, type Category } from './useCalendars';

type Change = { name?: string; colour?: string | null; closesDay?: boolean };

/** The categories of a calendar, or (null) those common to the organisation, each with a colour. */
export function CategoriesPanel({ calendar }: { calendar: Calendar | null }) {
    const categories = useCategories();
    const { update } = useCalendarActions();
    const [name, setName] = useState('');
    const add = useAction(() => answered(api.POST('/categories', { body: { name, calendar: calendar?.slug ?? null } })), { onDone: () => setName(''), quiet: true });
    const change = useAction(({ category, to }: { category: Category; to: Change }) => answered(api.PATCH('/categories/{id}', { params: { path: { id: category.id } }, body: to })));
    const remove = useAction((category: Category) => answered(api.DELETE('/categories/{id}', { params: { path: { id: category.id } } })), { onDone: (_, category) => void toast(`“${category.name}” is deleted; no event has it any more.`) });
    const own = categories.data?.filter((each) => each.calendar === (calendar?.slug ?? null)) ?? [];
    const common = categories.data?.filter((each) => each.calendar === null) ?? [];
    return (
        <>
            {calendar !== null && (
                <>
                    <p className="mb-2 text-soft">Common to the organisation: {common.map((each) => each.name).join(', ') || 'none yet'}.</p>
                    <CheckField label="Who adds events may add categories, too" checked={calendar.freeCategories} onChange={(event) => update.mutate({ calendar, input: { freeCategories: event.target.checked } })} />
                </>
            )}
            <ul aria-label="Categories" className="border-t border-line">
                {own.map((category) => (
                    <li key={category.id} className="flex flex-wrap items-center gap-3 border-b border-line py-1">
                        <span data-ink={category.colour ?? undefined} aria-hidden="true" className="size-3.5 shrink-0 rounded-sm border border-line bg-(--k,transparent)" />
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
                        {calendar === null && <CheckField label="closes its days" checked={category.closesDay} onChange={(event) => change.mutate({ category, to: { closesDay: event.target.checked } })} />}
                        <select aria-label={`Colour of ${category.name}`} className={`${CONTROL} w-28!`} value={category.colour ?? ''} onChange={(event) => change.mutate({ category, to: { colour: event.target.value || null } })}>
                            <option value="">no colour</option>
                            {COLOURS.map((ink) => (
                                <option key={ink}>{ink}</option>
                            ))}
                        </select>
                        <Button look="quiet" className="px-1.5" onClick={() => remove.mutate(category)} aria-label={`Delete ${category.name}`}>
                            <X size={15} />
                        </Button>
                    </li>
                ))}
            </ul>
            <form
                className="mt-2 flex max-w-md items-end gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    add.mutate();
                }}
            >
                <TextField label="A new category" fieldClassName="flex-1" value={name} error={problemOf(add)?.field('name')} onChange={(event) => setName(event.target.value)} />
                <Button type="submit" className="min-h-8" disabled={name.trim() === '' || add.isPending}>
                    Add it
                </Button>
            </form>
        </>
    );
}
