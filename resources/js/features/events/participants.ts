import type { Schemas } from '@/api/client';

/** Those whom the directory knows, as an input names them. */
export function knownOf(participants: Schemas['EventParticipant'][]): Schemas['ParticipantInput'][] {
    return participants.flatMap(({ kind, id, part }) => (kind === 'other' || id === null ? [] : { kind, id, part }));
}
