import { useFormContext, useWatch } from 'react-hook-form';
import type { Problem } from '@/api/client';
import { CheckField, CONTROL, Field, TextField } from '@/components/Field';
import { WEEKDAYS, type EventValues } from './eventValues';

const NAMES = { MO: 'Mon', TU: 'Tue', WE: 'Wed', TH: 'Thu', FR: 'Fri', SA: 'Sat', SU: 'Sun' } as const;

/** Every so many weeks, on which days, until when. */
export function RepeatFields({ problem }: { problem: Problem | null }) {
    const { register, control, setValue } = useFormContext<EventValues>();
    const [repeats, weekdays, ends] = useWatch({ control, name: ['repeats', 'weekdays', 'ends'] });
    if (!repeats) return <CheckField label="Repeats weekly" {...register('repeats')} />;
    return (
        <fieldset className="flex flex-col gap-2 border-l-[3px] border-line pl-2.5">
            <CheckField label="Repeats weekly" {...register('repeats')} />
            <label className="flex items-center gap-2">
                every
                <input type="number" min={1} max={99} className={`${CONTROL} w-14`} {...register('interval', { valueAsNumber: true })} />
                weeks on
            </label>
            <div className="flex flex-wrap gap-1" role="group" aria-label="Weekdays">
                {WEEKDAYS.map((day) => (
                    <button
                        key={day}
                        type="button"
                        aria-pressed={weekdays.includes(day)}
                        onClick={() => setValue('weekdays', weekdays.includes(day) ? weekdays.filter((each) => each !== day) : [...weekdays, day])}
                        className="rounded-sm border border-line bg-sheet px-1.5 py-0.5 text-xs hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
                    >
                        {NAMES[day]}
                    </button>
                ))}
            </div>
            {problem?.field('repeat.weekdays') !== undefined && (
                <p role="alert" className="text-xs font-semibold text-pin-ink">
                    {problem.field('repeat.weekdays')}
                </p>
            )}
            <Field label="Ends">
                {(control) => (
                    <select {...control} {...register('ends')}>
                        <option value="never">never</option>
                        <option value="until">on a day</option>
                        <option value="count">after a number of times</option>
                    </select>
                )}
            </Field>
            {ends === 'until' && <TextField label="Last day" type="date" error={problem?.field('repeat.until')} {...register('until')} />}
            {ends === 'count' && <TextField label="Times" type="number" min={1} max={999} error={problem?.field('repeat.count')} {...register('count', { valueAsNumber: true })} />}
        </fieldset>
    );
}
