import type { Schemas } from '@/api/client';

type Told = Schemas['EventParticipant'];

/** Somebody or something that takes part; of who is put there just now less is known. */
export type Participant = Pick<Told, 'id' | 'kind' | 'name' | 'part' | 'answer'> & Partial<Told>;

/** Those who can be named, as an input names them: all but who is there by a group alone, and what has neither a place here nor a mail address. */
export function namedOf(participants: Participant[]): Schemas['ParticipantInput'][] {
    return participants.filter(isNamed).map(({ kind, id, part, name, address }) => (kind === 'other' ? { kind: 'address', address: address ?? '', name: name === address ? '' : name, part } : { kind, id: id ?? 0, part }));
}

export function isNamed({ kind, id, address, memberOf }: Participant): boolean {
    return memberOf == null && (kind === 'other' ? address != null : id !== null);
}

/** How many people are told by mail of what becomes of an event: of a group each in it. */
export function countTold(participants: Participant[], self: number): number {
    return participants
        .filter((each) => isNamed(each) && each.kind !== 'room' && !(each.kind === 'person' && each.id === self))
        .reduce((count, { kind, size }) => count + (kind === 'group' ? (size ?? 0) : 1), 0);
}

/** Those of both, each once: who is put there and who is taken off are told alike. */
export function together(one: Participant[], other: Participant[]): Participant[] {
    const key = ({ kind, id, address }: Participant) => `${kind} ${id ?? address}`;
    return [...new Map([...one, ...other].map((each) => [key(each), each])).values()];
}
