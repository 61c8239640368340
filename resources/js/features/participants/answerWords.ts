import type { Schemas } from '@/api/client';

/** What one can answer. */
export const ANSWERS: Record<Schemas['AnswerInput']['answer'], string> = { accepted: 'I come', tentative: 'perhaps', declined: 'I do not' };

/** What somebody answered, in words. */
export const ANSWER_WORDS: Record<Schemas['Event']['participants'][number]['answer'], string> = {
    unanswered: 'not answered',
    accepted: 'comes',
    tentative: 'perhaps',
    declined: 'does not come',
    delegated: 'sends somebody else',
};
