import type { Schemas } from './client';

export type Mark = Schemas['Mark'];

const HEADER = 'Changes';

/** So many are remembered: far more than come between two looks. */
const REMEMBERED = 2000;

/** The marks of what one has changed oneself, and those that came before. */
const own = new Set<string>();
const seen = new Set<string>();

function remember(marks: Set<string>, mark: string): void {
    marks.add(mark);
    const [oldest] = marks;
    if (marks.size > REMEMBERED && oldest !== undefined) marks.delete(oldest);
}

/** Whatever one changes is answered with its marks: what is on the screen is asked for anew by whoever changed it. */
export function takeMarks(response: Response): void {
    for (const mark of (response.headers.get(HEADER) ?? '').split(' ')) {
        if (mark !== '') remember(own, mark);
    }
}

/** Asked as late as can be: one's own change may be told before it is answered. */
export function isOwn({ mark }: Mark): boolean {
    return own.has(mark);
}

/** Those that come for the first time; they come by more than one way. */
export function takeNew(marks: readonly Mark[]): Mark[] {
    const fresh = marks.filter(({ mark }) => !seen.has(mark));
    for (const { mark } of fresh) remember(seen, mark);
    return fresh;
}
