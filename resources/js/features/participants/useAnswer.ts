import { answered, api, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';

export type Given = Schemas['AnswerInput']['answer'];

/** Says whether one takes part; of a series at one time, where that is named, or in all of it. What waits for one is another by it, too. */
export function useAnswer(id: number, onDone?: (answer: Given) => void) {
    return useAction((body: Schemas['AnswerInput']) => answered(api.PUT('/events/{id}/answer', { params: { path: { id } }, body })), { onDone: (_, { answer }) => onDone?.(answer) });
}
