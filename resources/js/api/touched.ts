import type { Query } from '@tanstack/react-query';
import type { Mark } from './marks';

declare module '@tanstack/react-query' {
    interface Register {
        /** The days that an answer tells of; the end is exclusive. Where none are said, any change may make it old. */
        queryMeta: { days?: { from: string; to?: string } } & Record<string, unknown>;
    }
}

/** Whether an answer may be another by a change. */
export function isTouched({ meta }: Pick<Query, 'meta'>, { firstDay, lastDay }: Mark): boolean {
    const days = meta?.days;
    return days === undefined || ((days.to === undefined || firstDay === null || firstDay < days.to) && (lastDay === null || days.from <= lastDay));
}
