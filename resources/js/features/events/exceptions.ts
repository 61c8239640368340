import { formatDate } from '@/time/dates';
import type { Event } from './useEventActions';

type Doing = 'change' | 'delete';

/** What becomes of times that were changed or left out on their own, said before it happens: by which of a series is meant. */
export function exceptionWords(event: Pick<Event, 'occurrence' | 'repeat'>, doing: Doing): { one: string; following: string; all: string } {
    const { repeat, occurrence } = event;
    const at = occurrence ?? '';
    const others = (repeat?.changed ?? []).filter((each) => each.occurrence !== at);
    const later = others.filter((each) => each.occurrence > at);
    const skipped = repeat?.skipped.length ?? 0;
    const own = (repeat?.changed.length ?? 0) > others.length;
    const these = (times: typeof others) => `${times.length === 1 ? 'The time' : `The ${times.length} times`} changed on ${times.length === 1 ? 'its' : 'their'} own (${named(times)})`;
    const stay = (times: typeof others, how: string) => (times.length === 0 ? '' : `${these(times)} ${how}.`);
    const out = skipped === 0 ? '' : ` ${skipped === 1 ? 'One day that is' : `${skipped} days that are`} left out ${skipped === 1 ? 'stays' : 'stay'} so.`;
    if (doing === 'delete') {
        return {
            one: 'All others stay.',
            following: `Those before it stay. ${stay(later, later.length === 1 ? 'goes, too' : 'go, too')}`.trim(),
            all: `Every time of it goes. ${stay(others, others.length === 1 ? 'goes, too' : 'go, too')}`.trim(),
        };
    }
    return {
        one: own ? 'It was changed on its own before, and is changed again.' : 'It is told apart from the others from now on.',
        following: `From here on it is a series of its own. ${stay(later, later.length === 1 ? 'goes along and keeps its changes' : 'go along and keep their changes')}`.trim(),
        all: `${stay([...others, ...(own ? (repeat?.changed.filter((each) => each.occurrence === at) ?? []) : [])], others.length + (own ? 1 : 0) === 1 ? 'keeps what was changed and where it was put' : 'keep what was changed and where they were put')}${out}`.trim() || 'Every time of it changes.',
    };
}

const NAMED = 3;

function named(times: { start: string }[]): string {
    const days = times.slice(0, NAMED).map((each) => formatDate(each.start.slice(0, 10), 'weekdayDay'));
    return `${days.join(', ')}${times.length > NAMED ? ' and more' : ''}`;
}
