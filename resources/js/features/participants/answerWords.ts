import type { Schemas } from '@/api/client';

/** What one can answer. */
export const ANSWERS: Record<Schemas['AnswerInput']['answer'], string> = { accepted: 'I come', tentative: 'perhaps', declined: 'I do not' };

type Participants = Schemas['Event']['participants'];

const COUNTED = { accepted: ['comes', 'come'], tentative: ['perhaps', 'perhaps'], declined: ['does not come', 'do not come'], delegated: ['sends somebody else', 'send somebody else'], unanswered: ['has not answered', 'have not answered'] } as const;

/** “3 come, 1 perhaps, 2 have not answered”: of people, as groups and rooms answer nothing. */
export function answerCounts(participants: Participants): string {
    const people = participants.filter(({ kind }) => kind === 'person' || kind === 'other');
    return (Object.keys(COUNTED) as (keyof typeof COUNTED)[])
        .map((answer) => ({ words: COUNTED[answer], count: people.filter((each) => each.answer === answer).length }))
        .filter(({ count }) => count > 0)
        .map(({ words, count }) => `${count} ${words[count === 1 ? 0 : 1]}`)
        .join(', ');
}

/** What somebody answered, in words. */
export const ANSWER_WORDS: Record<Schemas['Event']['participants'][number]['answer'], string> = {
    unanswered: 'not answered',
    accepted: 'comes',
    tentative: 'perhaps',
    declined: 'does not come',
    delegated: 'sends somebody else',
};
