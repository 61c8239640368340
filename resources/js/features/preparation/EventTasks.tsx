import { answered, api, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { usePerson } from '@/features/session/useSession';
import { formatDate } from '@/time/dates';
import { dueWords } from '@/features/reminders/reminderWords';

type Event = Schemas['Event'];

/** What is to be prepared for an event, and what of it is done: by whoever does it, or may change the event. */
export function EventTasks({ event }: { event: Event }) {
    const person = usePerson();
    const tick = useAction(({ task, done }: { task: number; done: boolean }) => answered(api.PUT('/events/{id}/tasks/{task}/done', { params: { path: { id: event.id, task } }, body: { done, occurrence: event.occurrence } })), { changes: 'events' });
    if (event.tasks.length === 0) return null;
    // Of a series, each of its times is prepared on its own.
    const ofSeries = event.repeat !== null && event.occurrence === null;
    return (
        <section aria-label="To prepare" className="mt-3 border-t border-line pt-2.5">
            <ul className="flex flex-col gap-1">
                {event.tasks.map((task) => (
                    <li key={task.id}>
                        <span className="flex items-baseline gap-2">
                            <input
                                type="checkbox"
                                aria-label={task.title}
                                className="size-4 shrink-0 self-center accent-(--ink)"
                                checked={tick.isPending && tick.variables.task === task.id ? tick.variables.done : task.done}
                                disabled={ofSeries || tick.isPending || !(event.mayChange || task.doer?.id === person.id)}
                                onChange={(change) => tick.mutate({ task: task.id, done: change.target.checked })}
                            />
                            <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
                                <span className={task.done ? 'text-soft line-through' : ''}>{task.title}</span>
                                <span className="block text-xs text-soft">
                                    {ofSeries ? dueWords(task.days) : `by ${formatDate(task.due, 'weekdayDay')}`}
                                    {task.doer !== null && `, ${task.doer.name}`}
                                </span>
                            </span>
                        </span>
                    </li>
                ))}
            </ul>
        </section>
    );
}
