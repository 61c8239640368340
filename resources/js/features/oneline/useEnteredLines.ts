import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, answered, Problem, type Schemas } from '@/api/client';
import { fetchUncancelled } from '@/api/fetchUncancelled';
import { toast } from '@/toast/toast';
import { useEventSaves } from '@/features/events/useEventSaves';
import { AS_IT_OPENS } from '@/features/sheet/asItOpens';
import { countTold } from '@/features/participants/participants';
import { usePerson } from '@/features/session/useSession';
import { calendarsQuery } from '@/features/calendars/useCalendars';
import { beginningOfLine, findQuery, inputOfLine, isBlocked, lineQuery, type AskedLine } from './useLine';
import { targetOf } from './useLineTarget';
import type { LineHost } from './useLineHost';

type Found = Schemas['Found'];

export const PUT_RIGHT = 'Put right what is marked first, or keep it in the title.';

/** A line as it stood when Enter was pressed. */
export type Entered = { asked: AskedLine; target: string | null; description: string; inForm: boolean };

/** Why a line was not added as it stood: it is to go on being written. */
export type Refused = { entered: Entered; why: string };

/** Lines that were entered: each is done with as it was written, one after the other, however fast they come. */
export function useEnteredLines(host: LineHost, onRefused: (refused: Refused) => void) {
    const client = useQueryClient();
    const { create } = useEventSaves();
    const person = usePerson();
    const [waiting, setWaiting] = useState<string[]>([]);
    const last = useRef<Promise<void>>(Promise.resolve());

    const carryOut = async (entered: Entered): Promise<void> => {
        const { asked, description } = entered;
        const [line, found, calendars] = await Promise.all([fetchUncancelled(client, lineQuery(asked)), fetchUncancelled(client, findQuery(asked.text, asked.zone)), client.ensureQueryData(calendarsQuery)]);
        const targets = calendars.filter((each) => each.mayAdd);
        const target = targetOf(line, entered.target, targets, host);
        const inForm = () => host.begin(beginningOfLine(line, target?.slug ?? null, host.date, description));
        if (entered.inForm) return inForm();
        if (isBlocked(line)) return onRefused({ entered, why: PUT_RIGHT });
        if (line.start === null) return goTo(found, host, asked.text) ? undefined : inForm();
        if (found.date !== null) return void goTo(found, host, asked.text);
        if (line.title === '') return onRefused({ entered, why: 'Say what it is: it has no title yet.' });
        if (targets.length === 0) return onRefused({ entered, why: 'You may add to no calendar yet: make one of your own, or ask for one.' });
        if (target === undefined) return onRefused({ entered, why: 'Choose the calendar it goes on: F2 takes the next one.' });
        const input = inputOfLine(line, target.slug, description);
        if (input === null) return inForm();
        try {
            const { answer: event } = await create.mutateAsync({ input, told: input.status === 'provisional' ? 0 : countTold(line.participants, person.id) });
            host.show(event.start.slice(0, 10));
        } catch (error) {
            toast.error(error instanceof Problem ? (error.fields[0]?.message ?? error.message) : 'Something went wrong.', { description: 'It is in the form: nothing you typed is lost.' });
            inForm();
        }
    };
    const enter = (entered: Entered) => {
        const { text } = entered.asked;
        setWaiting((before) => [...before, text]);
        last.current = last.current
            .then(() => carryOut(entered))
            .catch((error: unknown) => onRefused({ entered, why: error instanceof Problem ? error.message : 'Something went wrong.' }))
            .finally(() => setWaiting((before) => before.slice(1)));
    };
    return { enter, waiting };
}

/** Where the rota shows a person, the people of a group, or a room. */
export function atParty({ kind, id }: Found['parties'][number]) {
    return { ...AS_IT_OPENS, of: `${kind}:${id}`, calendar: undefined, as: undefined, group: undefined, event: undefined, occurrence: undefined };
}

/** Those whose name begins as what was written are meant before any event, the others after. */
export function isMeant({ name }: Found['parties'][number], text: string): boolean {
    return name.toLowerCase().startsWith(text.toLowerCase());
}

/** Where the rota shows a day, with nothing open. */
export function atDate(date: string) {
    return { date, event: undefined, occurrence: undefined };
}

/** Where it shows an event that was found. */
export function atEvent({ date, id, occurrence }: Found['events'][number]) {
    return { date, event: id, occurrence: occurrence ?? undefined };
}

/** Goes where a line that says no time leads; false where there is nothing. */
export function goTo(found: Found, host: LineHost, text: string): boolean {
    const [event] = found.events;
    const party = found.parties.find((each) => isMeant(each, text));
    if (found.date !== null) host.go(atDate(found.date));
    else if (party !== undefined) host.go(atParty(party));
    else if (event !== undefined) host.go(atEvent(event));
    return found.date !== null || party !== undefined || event !== undefined;
}

/** What a message that was pasted says, as one line. */
export function readMessage(text: string, zone: string): Promise<string> {
    return answered(api.POST('/line/message', { body: { text, tz: zone } })).then(({ line }) => line);
}
