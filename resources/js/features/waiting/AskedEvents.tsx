import { Link } from '@tanstack/react-router';
import type { Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { Section } from '@/components/Page';
import { ANSWERS } from '@/features/participants/answerWords';
import { isFull } from '@/features/participants/placeWords';
import { useAnswer, type Given } from '@/features/participants/useAnswer';
import { formatWhen } from '@/time/dates';
import { toast } from '@/toast/toast';

type Asked = Schemas['AskedEvent'];

/** Events that one is asked to take part in, answered where they stand. */
export function AskedEvents({ asked }: { asked: readonly Asked[] }) {
    return (
        <Section title="Asked to take part" about="An answer holds for all times of an event that repeats. Where the event is open you can change it, and answer for one time.">
            <ul className="border-t border-line" aria-label="Asked to take part">
                {asked.map((each) => (
                    <AskedRow key={each.id} asked={each} />
                ))}
            </ul>
        </Section>
    );
}

function AskedRow({ asked }: { asked: Asked }) {
    const give = useAnswer(asked.id, (answer) => void toast(`“${asked.title}”: ${ANSWERS[answer]}.`));
    const more = asked.times - 1;
    return (
        <li className="flex flex-wrap items-center gap-3 border-b border-line py-2.5">
            <Mark mark={asked.calendar.mark} ink={asked.calendar.colour} size={18} />
            <div className="min-w-60 flex-1">
                <Link to="/" search={{ calendar: asked.calendar.slug, date: asked.start.slice(0, 10), event: asked.id, ...(asked.occurrence === null ? {} : { occurrence: asked.occurrence }) }} className="hit font-semibold hover:underline">
                    {asked.title}
                </Link>
                <span className="block">
                    {formatWhen(asked)}
                    {asked.place !== '' && `, ${asked.place}`}
                </span>
                <span className="block text-soft">
                    {more > 0 && `and ${more === 1 ? 'one more time' : `${more} more times`} within a year · `}
                    {asked.by !== '' && `asked by ${asked.by}, `}
                    {asked.calendar.name}
                    {asked.provisional && ', provisional'}
                </span>
                {asked.places !== null && (
                    <span className="block text-soft">
                        {asked.placesTaken} of {asked.places} places taken{isFull(asked) && ': who comes waits for one'}
                    </span>
                )}
            </div>
            <div role="group" aria-label={`Whether you take part in ${asked.title}`} className="flex flex-wrap items-center gap-2">
                {(Object.keys(ANSWERS) as Given[]).map((each) => (
                    <Button key={each} {...(each === 'accepted' ? { look: 'primary' as const } : {})} disabled={give.isPending} onClick={() => give.mutate({ answer: each })}>
                        {ANSWERS[each]}
                    </Button>
                ))}
            </div>
        </li>
    );
}
