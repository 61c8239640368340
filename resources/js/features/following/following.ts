import { queryOptions } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { PACES } from '@/api/generated/words';
import { queryKeys } from '@/api/queryKeys';

export type Follow = Schemas['Follow'];
export type FollowInput = Schemas['FollowInput'];
export type Pace = Follow['pace'];
export type FollowedChange = Follow['changes'][number];

/** What can be followed: its kind with what names it there, what it is called, and how those who manage it would have others told. */
export type Followable = { input: Pick<FollowInput, 'kind' | 'calendar' | 'category' | 'overlay' | 'person' | 'event'>; name: string; suggested?: Pace | null };

export const followsQuery = queryOptions({ queryKey: queryKeys.follows, queryFn: ({ signal }) => answered(api.GET('/follows', { signal })) });

/** How one is told of it already. */
export function followOf(follows: readonly Follow[], { input }: Followable): Follow | undefined {
    return follows.find((each) => each.kind === input.kind && (each.calendar?.slug === input.calendar || input.calendar === undefined) && (each.category ?? undefined) === input.category && (each.overlay ?? undefined) === input.overlay && (each.person ?? undefined) === input.person && (each.event ?? undefined) === input.event);
}

/** What it is asked for again. */
export function followable(follow: Follow): Followable {
    return {
        name: follow.name,
        input: {
            kind: follow.kind,
            ...(follow.calendar !== null && follow.kind !== 'event' && { calendar: follow.calendar.slug }),
            ...(follow.category !== null && { category: follow.category }),
            ...(follow.overlay !== null && { overlay: follow.overlay }),
            ...(follow.person !== null && { person: follow.person }),
            ...(follow.event !== null && { event: follow.event }),
        },
    };
}

/** “as it happens, by mail” */
export function howWords(follow: Pick<Follow, 'pace' | 'byMail' | 'inInbox'>): string {
    if (follow.pace === 'off') return 'never';
    return `${PACES[follow.pace]}, ${[follow.byMail && 'by mail', follow.inInbox && 'under “For you”'].filter((each) => each !== false).join(' and ')}`;
}
