import type { Schemas } from './client';
import type { Topic } from './queryKeys';

type Marks = Schemas['ChangeMarks'];

const HEADER = 'Changes';

/** As the last answer to a change told them, and as what is on the screen was asked for after. */
let told: Marks | undefined;
let seen: Marks | undefined;

/** Whatever is changed is answered with the marks as they are after it. */
export function takeMarks(response: Response): void {
    const [events, access] = (response.headers.get(HEADER) ?? '').split(' ');
    if (events !== undefined && events !== '' && access !== undefined) told = { events, access };
}

/** Says that what a topic is about is being asked for anew: the change that it was is not to be fetched once more. */
export function seeOwnChange(topic: Topic): void {
    if (told === undefined || seen === undefined) return;
    seen = { events: told.events, access: topic === 'access' ? told.access : seen.access };
}

/** What others have changed since the marks were looked at last. */
export function topicOfChange(marks: Marks): Topic | null {
    const before = seen;
    seen = marks;
    if (before === undefined) return null;
    return before.access !== marks.access ? 'access' : before.events !== marks.events ? 'events' : null;
}
