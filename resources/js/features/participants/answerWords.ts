import type { Schemas } from '@/api/client';

/** What somebody answered, in words. */
export const ANSWER_WORDS: Record<Schemas['Event']['participants'][number]['answer'], string> = {
    unanswered: 'not answered',
    accepted: 'comes',
    tentative: 'perhaps',
    declined: 'does not come',
    delegated: 'sends somebody else',
};
