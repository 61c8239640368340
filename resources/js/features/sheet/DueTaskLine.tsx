import { answered, api } from '@/api/client';
import { useAction } from '@/api/useAction';
import { isDone, useTicked } from '@/components/useTicked';
import { useRota } from './RotaContext';
import { formatDate } from '@/time/dates';
import type { DueTask } from './useDueTasks';

/** Something to prepare, in the list of whoever does it. */
export function DueTaskLine({ task }: { task: DueTask }) {
    const { go, today } = useRota();
    const put = useAction((done: boolean) => answered(api.PUT('/events/{id}/tasks/{task}/done', { params: { path: { id: task.event, task: task.id } }, body: { done, occurrence: task.occurrence } })), { changes: 'events' });
    const ticked = useTicked(task.done, (done) => isDone(put.mutateAsync(done)));
    return (
        <span className="flex items-baseline gap-2">
            <input type="checkbox" className="size-4 shrink-0 self-center accent-(--ink)" aria-label={`${task.title}, done`} disabled={put.isPending} {...ticked} />
            <span className="min-w-0">
                <span className={task.done ? 'text-soft line-through' : ''}>{task.title}</span>
                {task.due < today && !task.done && <b className="ml-1.5 font-semibold text-pin-ink">was due {formatDate(task.due, 'short')}</b>}
                <button type="button" className="block text-left text-xs text-soft underline" onClick={() => go({ event: task.event, occurrence: task.occurrence ?? undefined })}>
                    for {task.of}, {formatDate(task.on, 'weekdayDay')}
                </button>
            </span>
        </span>
    );
}
