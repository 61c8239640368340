import { queryOptions } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';

export type Meeting = Schemas['OngoingMeeting'];

/** What meets online now or soon: asked once a minute, as minutes pass without anybody changing anything. */
export const meetingsQuery = queryOptions({ queryKey: queryKeys.meetings, queryFn: ({ signal }) => answered(api.GET('/meetings', { signal })), refetchInterval: 60_000 });
