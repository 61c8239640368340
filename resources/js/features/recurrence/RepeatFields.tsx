import { useFormContext, useWatch } from 'react-hook-form';
import type { Problem } from '@/api/client';
import { WEEKDAYS } from '@/api/generated/words';
import { DateField } from '@/components/DateField';
import { CheckField, CONTROL, Field, TextField } from '@/components/Field';
import { useOrganisationName } from '@/features/session/useSession';
import { useRota } from '@/features/sheet/RotaContext';
import { formatDate } from '@/time/dates';
import { DateChips } from './DateChips';
import { isLastOf, ordinalOf, UNITS, type Unit, type RepeatValues } from './repeatValues';
import { RepeatWords } from './RepeatWords';

const NAMES = { MO: 'Mon', TU: 'Tue', WE: 'Wed', TH: 'Thu', FR: 'Fri', SA: 'Sat', SU: 'Sun' } as const;
const UNIT_NAMES: Record<Unit, string> = { day: 'days', week: 'weeks', month: 'months', year: 'years', rule: 'by a rule (RRULE)', dates: 'on chosen days' };
const ORDINALS = ['', 'first', 'second', 'third', 'fourth', 'fifth'];

type Props = {
    problem: Problem | null;
    /** Whether days may be left out and added: of a series as such, not of what goes on from one time of it. */
    withDates: boolean;
};

/** Every so many days, weeks, months or years, on which days, until when, and on which not: picked, and read back in words. */
export function RepeatFields({ problem, withDates }: Props) {
    const { register, control, setValue } = useFormContext<RepeatValues>();
    const [repeats, unit, weekdays, ends, start, skipped, extra, until, within] = useWatch({ control, name: ['repeats', 'unit', 'weekdays', 'ends', 'startDate', 'skipped', 'extra', 'until', 'within'] });
    const school = useOrganisationName();
    const { zone, today } = useRota();
    if (!repeats) return <CheckField label="Repeats" {...register('repeats')} />;
    const day = start === '' ? '' : formatDate(start, 'long').split(' ')[0];
    const none = unit === 'week' && weekdays.length === 0 ? 'Choose at least one weekday.' : undefined;
    const told = problem?.fields.find(({ field }) => field === 'repeat.rule' || field.startsWith('repeat.pick'))?.message ?? none;
    const put = (name: 'skipped' | 'extra') => (dates: string[]) => {
        setValue(name, dates);
        setValue('datesTouched', true);
    };
    return (
        <fieldset className="flex min-w-0 flex-col gap-2 border-l-[3px] border-line pl-2.5">
            <CheckField label="Repeats" {...register('repeats')} />
            <div className="flex items-center gap-2">
                {unit !== 'rule' && unit !== 'dates' && (
                    <>
                        every
                        <input type="number" min={1} max={99} aria-label="Every so many" className={`${CONTROL} w-14!`} {...register('interval', { valueAsNumber: true })} />
                    </>
                )}
                <select aria-label="Unit" className={`${CONTROL} w-auto!`} {...register('unit')}>
                    {UNITS.map((each) => (
                        <option key={each} value={each}>
                            {UNIT_NAMES[each]}
                        </option>
                    ))}
                </select>
            </div>
            {unit === 'week' && (
                <div className="flex flex-wrap gap-1" role="group" aria-label="Weekdays">
                    {WEEKDAYS.map((each) => (
                        <button
                            key={each}
                            type="button"
                            aria-pressed={weekdays.includes(each)}
                            onClick={() => setValue('weekdays', weekdays.includes(each) ? weekdays.filter((other) => other !== each) : [...weekdays, each])}
                            className="min-h-6 pointer-coarse:min-h-11 pointer-coarse:min-w-11 rounded-sm border border-line bg-sheet px-1.5 py-0.5 text-xs hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
                        >
                            {NAMES[each]}
                        </button>
                    ))}
                </div>
            )}
            {unit === 'month' && start !== '' && (
                <select aria-label="On" className={CONTROL} {...register('monthBy')}>
                    <option value="date">on day {formatDate(start, 'day')}</option>
                    <option value="weekday">
                        on the {ORDINALS[ordinalOf(start)]} {day}
                    </option>
                    {isLastOf(start) && <option value="last weekday">on the last {day}</option>}
                    <option value="last day">on its last day</option>
                </select>
            )}
            {unit === 'rule' && <TextField label="Rule, as iCalendar has it" placeholder="FREQ=MONTHLY;BYDAY=1MO,3MO" spellCheck={false} autoComplete="off" error={told} {...register('ruleText')} />}
            {told !== undefined && unit !== 'rule' && (
                <p role="alert" className="text-xs font-semibold text-pin-ink">
                    {told}
                </p>
            )}
            {unit !== 'dates' && (
                <>
                    <Field label="Ends">
                        {(control) => (
                            <select {...control} {...register('ends')}>
                                <option value="never">never</option>
                                <option value="until">on a day</option>
                                <option value="count">after a number of times</option>
                            </select>
                        )}
                    </Field>
                    {ends === 'until' && <DateField label="Last day of the repeat" zone={zone} today={today} error={problem?.field('repeat.until')} value={until} onChange={(date) => setValue('until', date)} />}
                    {ends === 'count' && <TextField label="Times" type="number" min={1} max={999} error={problem?.field('repeat.count')} {...register('count', { valueAsNumber: true })} />}
                </>
            )}
            {unit !== 'dates' && (school.terms || within !== null) && (
                <Field label="In weeks">
                    {(control) => (
                        <select {...control} value={within ?? ''} onChange={(event) => setValue('within', event.target.value === '' ? null : (event.target.value as NonNullable<RepeatValues['within']>))}>
                            <option value="">of the whole year</option>
                            <option value="term">of term only</option>
                            {(school.alternates || within === 'A' || within === 'B') && (
                                <>
                                    <option value="A">of term, the A weeks</option>
                                    <option value="B">of term, the B weeks</option>
                                </>
                            )}
                        </select>
                    )}
                </Field>
            )}
            {withDates && unit !== 'dates' && <DateChips label="But not on" zone={zone} today={today} dates={skipped} onChange={put('skipped')} error={problem?.fields.find((each) => each.field.startsWith('repeat.skipped'))?.message} />}
            {withDates && <DateChips zone={zone} today={today} label={unit === 'dates' ? 'Further days' : 'Also on'} dates={extra} onChange={put('extra')} error={problem?.fields.find((each) => each.field.startsWith('repeat.extra'))?.message} />}
            <RepeatWords />
        </fieldset>
    );
}
