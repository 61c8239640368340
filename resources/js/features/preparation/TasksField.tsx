import { Plus, X } from 'lucide-react';
import type { Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { CONTROL } from '@/components/Field';
import { SubjectPicker } from '@/features/directory/SubjectPicker';

/** Something to prepare, as it is written. */
export type TaskValues = { id: number | null; title: string; days: number; doer: { id: number; name: string } | null };

type Props = { tasks: TaskValues[]; onChange: (tasks: TaskValues[]) => void; problems: Schemas['FieldProblem'][] };

/** What is to be prepared: by when, counted from the day of the event, and by whom. */
export function TasksField({ tasks, onChange, problems }: Props) {
    const put = (index: number, part: Partial<TaskValues>) => onChange(tasks.map((each, at) => (at === index ? { ...each, ...part } : each)));
    return (
        <fieldset className="flex flex-col gap-2">
            <legend className="mb-1 text-xs text-soft">To prepare</legend>
            {tasks.map((task, index) => (
                <div key={task.id ?? `new ${index}`} className="flex flex-col gap-1.5 border-l-[3px] border-line pl-2">
                    <div className="flex gap-1.5">
                        <input
                            aria-label={`What is to be done, ${index + 1}`}
                            className={CONTROL}
                            maxLength={200}
                            value={task.title}
                            onChange={(event) => put(index, { title: event.target.value })}
                            autoFocus={task.title === '' && task.id === null}
                        />
                        <button type="button" className="grid size-7 shrink-0 place-items-center" aria-label={`Take “${task.title}” off the list`} onClick={() => onChange(tasks.filter((_, at) => at !== index))}>
                            <X size={13} />
                        </button>
                    </div>
                    <div className="flex items-center gap-1.5">
                        <input
                            type="number"
                            min={0}
                            max={400}
                            aria-label={`Days, ${index + 1}`}
                            className={`${CONTROL} w-14!`}
                            value={Math.abs(task.days)}
                            onChange={(event) => put(index, { days: (task.days > 0 ? 1 : -1) * Math.abs(Number(event.target.value)) })}
                        />
                        days
                        <select aria-label={`Before or after, ${index + 1}`} className={`${CONTROL} w-auto!`} value={task.days > 0 ? 'after' : 'before'} onChange={(event) => put(index, { days: (event.target.value === 'after' ? 1 : -1) * Math.abs(task.days) })}>
                            <option value="before">before</option>
                            <option value="after">after</option>
                        </select>
                    </div>
                    {task.doer === null ? (
                        <SubjectPicker entry={null} kind="person" narrow label="Who does it" onChange={(entry) => entry?.id != null && put(index, { doer: { id: entry.id, name: entry.name } })} />
                    ) : (
                        <p className="flex items-center gap-1">
                            by {task.doer.name}
                            <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" aria-label={`${task.doer.name} does not do it`} onClick={() => put(index, { doer: null })}>
                                <X size={12} />
                            </button>
                        </p>
                    )}
                    {problems
                        .filter((each) => each.field.startsWith(`tasks.${index}.`))
                        .map((each) => (
                            <p key={each.field} role="alert" className="text-xs font-semibold text-pin-ink">
                                {each.message}
                            </p>
                        ))}
                </div>
            ))}
            <Button look="quiet" className="self-start" onClick={() => onChange([...tasks, { id: null, title: '', days: -1, doer: null }])}>
                <Plus size={13} aria-hidden="true" /> Something to prepare
            </Button>
        </fieldset>
    );
}
