import type { Schemas } from '@/api/client';
import type { Participant } from './participants';

type Told = Pick<Schemas['Event'], 'places' | 'placesTaken' | 'waitsAt'> & { participants: Participant[] };

/** “3 of 8 taken, 2 wait for one”: of those who wait only where one sees them. */
export function placeWords({ places, placesTaken, participants, waitsAt }: Told): string {
    const waiting = participants.filter(({ answer }) => answer === 'waiting').length;
    const wait = waitsAt !== null ? `, you wait as number ${waitsAt}` : waiting > 0 ? `, ${waiting} ${waiting === 1 ? 'waits' : 'wait'} for one` : '';
    return `${placesTaken} of ${places ?? 0} taken${wait}`;
}

/** Whether who says that they come waits for a place. */
export const isFull = ({ places, placesTaken }: Pick<Schemas['Event'], 'places' | 'placesTaken'>) => places !== null && placesTaken >= places;
