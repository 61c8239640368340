import { useState } from 'react';
import { Button } from '@/components/Button';
import { FormProblem } from '@/components/Field';
import { useCalendars } from '@/features/calendars/useCalendars';
import { formatWhen } from '@/time/dates';
import { FIELDS, same } from './eventValues';
import { dueWords, reminderWords } from '@/features/reminders/reminderWords';
import type { Event, EventInput } from './useEventActions';

type Props = {
    /** As it was when the form was opened, as it is now, and as it was typed. */
    before: EventInput;
    theirs: EventInput;
    mine: EventInput;
    current: Event;
    onSave: (change: Partial<EventInput>) => void;
    onTheirs: () => void;
    saving: boolean;
};

/** Somebody else was first: both versions side by side, field by field, so that nothing of either is lost. */
export function ConflictFields({ before, theirs, mine, current, onSave, onTheirs, saving }: Props) {
    const calendars = useCalendars();
    const differing = FIELDS.filter(({ keys }) => keys.some((key) => key in mine && !same(mine[key], theirs[key])));
    const untouched = ({ keys }: (typeof FIELDS)[number]) => keys.every((key) => same(mine[key], before[key]));
    const [chosen, setChosen] = useState<Record<string, 'mine' | 'theirs'>>({});
    // What one did not touch oneself is most likely right as the other left it.
    const choiceOf = (field: (typeof FIELDS)[number]) => chosen[field.name] ?? (untouched(field) ? 'theirs' : 'mine');
    const tell = (input: EventInput, { keys }: (typeof FIELDS)[number]): string => {
        if (keys[0] === 'allDay') return formatWhen({ start: input.start, end: input.end ?? input.start, allDay: input.allDay === true });
        const value = input[keys[0] ?? 'title'];
        if (keys[0] === 'calendar') return calendars.data?.find((each) => each.slug === value)?.name ?? input.calendar;
        if (keys[0] === 'busy') return value === true ? 'busy' : 'free';
        if (keys[0] === 'participants') return `${(value as unknown[]).length} of the directory`;
        if (keys[0] === 'tasks') return (input.tasks ?? []).map(({ title, days }) => `${title} (${dueWords(days)})`).join(', ') || 'nothing';
        if (keys[0] === 'reminders') return (input.reminders ?? []).map(reminderWords).join(', ') || 'none';
        if (keys[0] === 'categories') return (input.categories ?? []).join(', ') || 'none';
        if (typeof value === 'boolean') return value ? 'yes' : 'no';
        if (value === null || value === undefined || value === '') return 'nothing';
        return typeof value === 'string' ? value : JSON.stringify(value).replace(/[{}"[\]]/g, ' ');
    };
    const save = () => onSave(Object.fromEntries(differing.filter((field) => choiceOf(field) === 'mine').flatMap(({ keys }) => keys.map((key) => [key, mine[key]]))));
    return (
        <FormProblem>
            <b className="block">{current.changedBy ?? 'Somebody'} was first.</b>
            What you typed is still here. Choose field by field:
            <ul className="my-2 flex flex-col gap-2">
                {differing.map((field) => (
                    <li key={field.name}>
                        <fieldset>
                            <legend className="text-xs font-semibold text-soft">{field.name}</legend>
                            {(['theirs', 'mine'] as const).map((side) => (
                                <label key={side} className="flex items-baseline gap-1.5 font-normal text-ink">
                                    <input type="radio" name={`conflict-${field.name}`} className="accent-(--ink)" checked={choiceOf(field) === side} onChange={() => setChosen({ ...chosen, [field.name]: side })} />
                                    <span className="min-w-0 [overflow-wrap:anywhere]">
                                        <span className="text-soft">{side}:</span> {tell(side === 'mine' ? mine : theirs, field)}
                                    </span>
                                </label>
                            ))}
                        </fieldset>
                    </li>
                ))}
            </ul>
            <span className="flex flex-wrap gap-1.5">
                <Button look="primary" disabled={saving} onClick={save}>
                    Save what is chosen
                </Button>
                <Button onClick={onTheirs}>Take theirs</Button>
            </span>
        </FormProblem>
    );
}
