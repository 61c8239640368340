import { Link } from '@tanstack/react-router';
import { useDeferredValue, useState } from 'react';
import { TextField } from '@/components/Field';
import { Folded } from '@/components/Folded';
import { Scrolling } from '@/components/Scrolling';
import { Failed, Loading } from '@/components/States';
import type { Calendar } from '@/features/calendars/useCalendars';
import { LEVELS } from '@/api/generated/words';
import { useReach } from './useAccess';

/** For any person: what they can see of a calendar and why, and a look at it as they see it. */
export function ReasonsPanel({ calendar }: { calendar: Calendar }) {
    const [words, setWords] = useState('');
    const reach = useReach(calendar.slug, useDeferredValue(words));
    if (reach.isError) return <Failed error={reach.error} retry={() => void reach.refetch()} />;
    if (reach.data === undefined) return <Loading what="who sees what" />;
    return (
        <>
            <TextField label="Find somebody" type="search" fieldClassName="max-w-72" value={words} onChange={(event) => setWords(event.target.value)} />
            <Scrolling as="ul" aria-label="What people can see" className="mt-2 max-h-96 overflow-y-auto border-t border-line">
                <Folded entries={reach.data.people} keyOf={(person) => person.id} what="people">
                    {(person) => (
                        <li className="flex flex-wrap items-baseline gap-x-3 gap-y-0.5 border-b border-line py-1.5">
                            <span className="min-w-40 flex-1">
                                <b className="font-semibold">{person.name}</b> <span className="text-soft">{person.post}</span>
                            </span>
                            <span className="min-w-52 flex-1 text-soft">{person.reasons.length === 0 ? 'Nothing: it is not shared with them' : person.reasons.map((reason) => reason.words).join('; ')}</span>
                            <span className="w-24">{LEVELS[person.level].name}</span>
                            <span className="w-32 text-right">
                                {person.level !== 'none' && (
                                    <Link to="/" search={{ calendar: calendar.slug, as: person.id }} className="hit underline" aria-label={`see it as they do: ${person.name}`}>
                                        see it as they do
                                    </Link>
                                )}
                            </span>
                        </li>
                    )}
                </Folded>
            </Scrolling>
            {reach.data.people.length === 0 && <p className="py-2 text-soft">Nobody here is called that.</p>}
            {reach.data.total > reach.data.people.length && <p className="py-2 text-soft">and {reach.data.total - reach.data.people.length} more: type part of a name.</p>}
        </>
    );
}
