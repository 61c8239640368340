import { useFormContext, useWatch } from 'react-hook-form';
import type { Problem } from '@/api/client';
import { CheckField, Field, TextField } from '@/components/Field';
import { ZoneField } from '@/components/ZoneField';
import { InkChoice } from '@/components/InkPicker';
import { useRota } from '@/features/sheet/RotaContext';
import { A_NUMBER, type EventValues } from './eventValues';
import { RemindersField } from '@/features/reminders/RemindersField';
import { TasksField } from '@/features/preparation/TasksField';

type Props = { problem: Problem | null; /** As the event has it; null where it has none. */ zone: string | null; /** Whether the series as such is written, or a single event. */ whole: boolean; begun: boolean };

/** What few events need: link, zone, priority, colour, reminders, joining, how long the way is, what is to be prepared. */
export function MoreFields({ problem, zone, whole, begun }: Props) {
    const rota = useRota();
    const { register, control, setValue } = useFormContext<EventValues>();
    const [allDay, colour, priority, reminders, tasks, joinable, link, timezone, travel] = useWatch({ control, name: ['allDay', 'colour', 'priority', 'reminders', 'tasks', 'joinable', 'link', 'timezone', 'travel'] });
    const used = [colour !== null && 'colour', priority !== 0 && 'priority', reminders.length > 0 && 'reminders', tasks.length > 0 && 'preparation', joinable && 'joining', link !== '' && 'link', timezone !== '' && 'zone', travel !== null && 'the way there'].filter((each) => each !== false);
    const wrong = problem?.fields.some((each) => /^(link|timezone|travel|priority|colour|reminders|tasks|joinable)/.test(each.field)) === true;
    return (
        <details className="border-t border-line pt-2" open={wrong || undefined}>
            <summary className="cursor-pointer py-1 text-soft hover:text-ink">
                More: {used.length === 0 ? 'link, zone, the way there, priority, colour, reminders, preparation' : `${used.join(', ')} …`}
            </summary>
            <div className="mt-2 flex flex-col gap-3">
                <TextField label="Link" type="url" error={problem?.field('link')} {...register('link')} />
                {!allDay && (
                    <ZoneField placeholder={zone ?? rota.zone} error={problem?.field('timezone')} value={timezone} onChange={(to) => setValue('timezone', to)} />
                )}
                {!allDay && (
                    <TextField label="Minutes on the way" type="number" inputMode="numeric" min={0} max={1440} error={problem?.field('travel')} hint="Who wants to be reminded is so in time to leave." {...register('travel', A_NUMBER)} />
                )}
                <Field label="Priority" error={problem?.field('priority')}>
                    {(control) => (
                        <select {...control} {...register('priority', { valueAsNumber: true })}>
                            <option value={0}>none</option>
                            {Array.from({ length: 9 }, (_, index) => index + 1).map((each) => (
                                <option key={each} value={each}>
                                    {each}
                                    {each === 1 ? ', highest' : each === 5 ? ', normal' : each === 9 ? ', lowest' : ''}
                                </option>
                            ))}
                        </select>
                    )}
                </Field>
                <div>
                    <p className="mb-1 text-xs text-soft">Colour</p>
                    <InkChoice ink={colour} onChange={(each) => setValue('colour', each)} none={{ name: 'as its layer', onChoose: () => setValue('colour', null) }} />
                </div>
                <RemindersField chosen={reminders} onChange={(chosen) => setValue('reminders', chosen)} error={problem?.fields.find((each) => each.field.startsWith('reminders'))?.message} />
                {whole && <CheckField label="Open for joining: who may see it may join" {...register('joinable')} />}
                {whole && <TasksField tasks={tasks} onChange={(chosen) => setValue('tasks', chosen)} problems={problem?.fields ?? []} />}
                {begun && <p className="text-xs text-soft">Files are attached once it is added.</p>}
            </div>
        </details>
    );
}
