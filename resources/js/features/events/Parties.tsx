import { Fragment, useState } from 'react';
import { PartyLink } from '@/features/directory/PartyLink';
import { ANSWER_WORDS, answerCounts } from '@/features/participants/answerWords';
import type { Event } from './useEventActions';

type Props = { of: Event['participants'] };

/** So many are named before one asks for all. */
const SHOWN = 12;

/** From so many on it is counted what they answered. */
const COUNTED = 4;

/** Names of people, groups and rooms, each with what they answered. */
export function Parties({ of }: Props) {
    return of.map(({ kind, id, name, part, answer }, index) => (
        <Fragment key={`${kind} ${id ?? name}`}>
            {index > 0 && ', '}
            {kind === 'other' || id === null ? (
                name
            ) : (
                <PartyLink kind={kind} id={id}>
                    {name}
                </PartyLink>
            )}
            {part !== 'responsible' && answer !== 'accepted' && ` (${ANSWER_WORDS[answer]})`}
        </Fragment>
    ));
}

/** Who takes part; of many, how many come, and the rest of their names once one asks. */
export function TakingPart({ of }: Props) {
    const [all, setAll] = useState(false);
    const more = all ? 0 : Math.max(0, of.length - SHOWN);
    return (
        <>
            {of.length >= COUNTED && <span className="block text-soft">{answerCounts(of)}</span>}
            <Parties of={more === 0 ? of : of.slice(0, SHOWN)} />
            {more > 0 && (
                <button type="button" className="hit ml-1 underline" onClick={() => setAll(true)}>
                    and {more} more
                </button>
            )}
        </>
    );
}
