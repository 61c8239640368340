import type { Schemas } from '@/api/client';

export type Participant = Schemas['EventParticipant'];

/** Those whom the directory knows, as an input names them. */
export function knownOf(participants: Participant[]): Schemas['ParticipantInput'][] {
    return participants.flatMap(({ kind, id, part }) => (kind === 'other' || id === null ? [] : { kind, id, part }));
}
