import type { QueryClient } from '@tanstack/react-query';
import { isOwn, type Mark } from '@/api/marks';
import { fetchAnew, fetchTouched } from '@/api/useAction';
import { forgetRead } from '@/offline/device';
import { Pace } from './pace';

/**
 * Asks anew for what others have changed of what is on screen. What is under way is waited for, never begun anew: where
 * others change things all the time and the way to the server is slow, nothing would ever arrive otherwise.
 *
 * @returns to be told what has changed; null where it is not known what
 */
export function rereading(client: QueryClient): (marks: Mark[] | null) => void {
    const pace = new Pace();
    let waiting: (Mark | null)[] = [];
    let busy = false;

    const reread = async () => {
        busy = true;
        while (waiting.length > 0) {
            await new Promise((resolve) => setTimeout(resolve, pace.wait()));
            const marks = waiting.filter((each) => each === null || !isOwn(each));
            waiting = [];
            const done = pace.begin();
            if (marks.some((each) => each === null || each.calendar === null)) {
                await forgetRead();
                await fetchAnew(client, 'access');
            } else {
                await fetchTouched(client, marks.filter((each) => each !== null));
            }
            done();
        }
        busy = false;
    };

    return (marks) => {
        waiting.push(...(marks ?? [null]));
        if (!busy) void reread();
    };
}
