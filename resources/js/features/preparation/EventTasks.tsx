import { answered, api, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { isDone, useTicked } from '@/components/useTicked';
import { usePerson } from '@/features/session/useSession';
import { formatDate } from '@/time/dates';
import { dueWords } from '@/features/reminders/reminderWords';

type Event = Schemas['Event'];

/** What is to be prepared for an event, and what of it is done: by whoever does it, or may change the event. */
export function EventTasks({ event }: { event: Event }) {
    const person = usePerson();
    if (event.tasks.length === 0) return null;
    // Of a series, each of its times is prepared on its own.
    const ofSeries = event.repeat !== null && event.occurrence === null;
    return (
        <section aria-label="To prepare" className="mt-3 border-t border-line pt-2.5">
            <ul className="flex flex-col gap-1">
                {event.tasks.map((task) => (
                    <li key={task.id}>
                        <span className="flex items-baseline gap-2">
                            <TaskTick event={event} task={task} disabled={ofSeries || !(event.mayChange || task.doer?.id === person.id)} />
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

function TaskTick({ event, task, disabled }: { event: Event; task: Event['tasks'][number]; disabled: boolean }) {
    const put = useAction((done: boolean) => answered(api.PUT('/events/{id}/tasks/{task}/done', { params: { path: { id: event.id, task: task.id } }, body: { done, occurrence: event.occurrence } })), { changes: 'events' });
    const ticked = useTicked(task.done, (done) => isDone(put.mutateAsync(done)));
    return <input type="checkbox" aria-label={task.title} className="size-4 shrink-0 self-center accent-(--ink)" disabled={disabled || put.isPending} {...ticked} />;
}
