import type { Schemas } from '@/api/client';
import type { Participant } from './participants';

/** What one can answer. */
export const ANSWERS: Record<Schemas['AnswerInput']['answer'], string> = { accepted: 'I come', tentative: 'perhaps', declined: 'I do not' };

const COUNTED = { accepted: ['comes', 'come'], tentative: ['perhaps', 'perhaps'], declined: ['does not come', 'do not come'], waiting: ['waits for a place', 'wait for a place'], delegated: ['sends somebody else', 'send somebody else'], unanswered: ['has not answered', 'have not answered'] } as const;

/** “3 come, 1 perhaps, 2 have not answered”: of people, and of a group of each in it; a room answers nothing. */
export function answerCounts(participants: Participant[]): string {
    const people = participants.filter(({ kind }) => kind === 'person' || kind === 'other');
    const silent = participants.reduce((sum, { kind, id, size }) => sum + (kind === 'group' ? Math.max(0, (size ?? 0) - people.filter(({ memberOf }) => memberOf === id).length) : 0), 0);
    return (Object.keys(COUNTED) as (keyof typeof COUNTED)[])
        .map((answer) => ({ words: COUNTED[answer], count: people.filter((each) => each.answer === answer).length + (answer === 'unanswered' ? silent : 0) }))
        .filter(({ count }) => count > 0)
        .map(({ words, count }) => `${count} ${words[count === 1 ? 0 : 1]}`)
        .join(', ');
}

/** How many people answer: of a group each in it. */
export function answering(participants: Participant[]): number {
    return participants.reduce((sum, { kind, size, memberOf }) => sum + (kind === 'room' || memberOf != null ? 0 : kind === 'group' ? (size ?? 0) : 1), 0);
}

/** What somebody answered, in words. */
export const ANSWER_WORDS: Record<Participant['answer'], string> = {
    unanswered: 'not answered',
    accepted: 'comes',
    tentative: 'perhaps',
    declined: 'does not come',
    delegated: 'sends somebody else',
    waiting: 'waits for a place',
};
