import { Fragment, useState } from 'react';
import { answered, api } from '@/api/client';
import { useAction } from '@/api/useAction';
import { PartyLink } from '@/features/directory/PartyLink';
import { ANSWER_WORDS, answerCounts, answering } from '@/features/participants/answerWords';
import { toast } from '@/toast/toast';
import type { Event } from './useEventActions';
import { people } from './useTelling';

type Participant = Event['participants'][number];

type Props = { of: Event['participants'] };

/** Of whom an answer is still awaited: of a group those who have said nothing. */
const isSilent = (of: Participant[]) => /has not answered|have not answered/.test(answerCounts(of.filter(({ part }) => part === 'required' || part === 'optional')));

/** So many are named before one asks for all. */
const SHOWN = 12;

/** From so many on it is counted what they answered. */
const COUNTED = 4;

/** Names of people, groups and rooms, each with what they answered. */
export function Parties({ of }: Props) {
    return of.map((each, index) => (
        <Fragment key={`${each.kind} ${each.id ?? each.name}`}>
            {index > 0 && ', '}
            {each.kind === 'other' || each.id === null ? (
                each.name
            ) : (
                <PartyLink kind={each.kind} id={each.id}>
                    {each.name}
                </PartyLink>
            )}
            {words(each)}
            {each.bounce !== null && (
                <span role="note" className="text-pin-ink" title={each.bounce}>
                    {' '}
                    (the letter did not arrive)
                </span>
            )}
        </Fragment>
    ));
}

/** What is said behind a name: an answer, with the note to it; of a group how many are in it. */
function words({ kind, part, answer, note, size }: Participant): string {
    if (kind === 'group') return size === null ? '' : ` (${size === 1 ? 'one person' : `${size} people`})`;
    const said = part !== 'responsible' && (answer !== 'accepted' || note !== '') ? ANSWER_WORDS[answer] : '';
    return said === '' ? '' : ` (${said}${note === '' ? '' : `: “${note}”`})`;
}

/** Who takes part; of many, how many come, and the rest of their names once one asks. Who may change the event asks the silent again. */
export function TakingPart({ of, event }: Props & { event?: Event | undefined }) {
    const [all, setAll] = useState(false);
    const more = all ? 0 : Math.max(0, of.length - SHOWN);
    return (
        <>
            {answering(of) >= COUNTED && <span className="block text-soft">{answerCounts(of)}</span>}
            <Parties of={more === 0 ? of : of.slice(0, SHOWN)} />
            {more > 0 && (
                <button type="button" className="hit ml-1 underline" onClick={() => setAll(true)}>
                    and {more} more
                </button>
            )}
            {event?.mayDelete === true && event.asks && isSilent(of) && <AskAgain id={event.id} />}
        </>
    );
}

function AskAgain({ id }: { id: number }) {
    const again = useAction(() => answered(api.POST('/events/{id}/asked-again', { params: { path: { id } } })), {
        onDone: ({ asked }) => void toast(asked === 0 ? 'They were written to within the last hour.' : `${people(asked)} ${asked === 1 ? 'is' : 'are'} asked again by mail.`),
        quiet: true,
    });
    return (
        <button type="button" className="hit block text-left text-xs underline" disabled={again.isPending} onClick={() => again.mutate()}>
            Ask again who has not answered
        </button>
    );
}
