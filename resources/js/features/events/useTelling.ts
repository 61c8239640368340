import { storage } from '@/offline/storage';
import { countTold, together, type Participant } from '@/features/participants/participants';
import { usePerson } from '@/features/session/useSession';
import type { Event } from './useEventActions';

const KEY = 'rota.tell';

/** “6 people” */
export const people = (count: number) => (count === 1 ? '1 person' : `${count} people`);

/** What was chosen last. */
export const tells = () => storage.getItem(KEY) !== 'quiet';

/** Whether those whom a change concerns are told of it by mail, as it is chosen where one saves; what was chosen last is offered first. */
export function useTelling(event: Event | null, now: Participant[], status: Event['status'], asksEarly: boolean) {
    const person = usePerson();
    // What is not settled asks nobody; who was asked before hears what becomes of it.
    const isSettled = asksEarly || status !== 'provisional' || (event !== null && event.status !== 'provisional');
    const count = isSettled ? countTold(together(now, event?.participants ?? []), person.id) : 0;
    const choose = (tell: boolean) => storage.setItem(KEY, tell ? 'tell' : 'quiet');
    return { count, choose, told: () => (count > 0 && tells() ? count : 0), sent: () => (count > 0 ? { tell: tells() } : {}) };
}

export type Telling = ReturnType<typeof useTelling>;
