import { Link } from '@tanstack/react-router';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { Section } from '@/components/Page';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useListActions } from '@/features/calendars/useListActions';
import { PinAllTo, PinnedTo } from './PinnedTo';
import type { Source } from './useSources';

/** Sources worth having: looked at and added to one’s list in a click. One fetch serves all who have them. */
export function Catalogue({ sources }: { sources: readonly Source[] }) {
    const calendars = useCalendars().data ?? [];
    const { put: list } = useListActions();
    return (
        <Section title="Worth having" about="Put here by those who look after Pinned Rota. What you add is on your list at once; nothing is fetched twice.">
            <ul aria-label="Catalogue" className="grid gap-3 sm:grid-cols-2">
                {sources.map((source) => {
                    const { slug, name, mark, colour } = source.calendar;
                    const calendar = calendars.find((each) => each.slug === slug);
                    return (
                        <li key={source.id} className="flex flex-col gap-1.5 border border-line bg-sheet p-3">
                            <p className="flex items-center gap-2">
                                <Mark mark={mark} ink={colour} size={14} />
                                <b className="font-semibold">{name}</b>
                            </p>
                            <p className="flex-1 text-soft">{source.catalogue}</p>
                            <p className="flex flex-wrap items-center gap-3">
                                <Link to="/" search={{ calendar: slug }} className="hit underline" aria-label={`Look at it: ${name}`}>
                                    Look at it
                                </Link>
                                {calendar !== undefined &&
                                    (calendar.onList ? (
                                        <span className="text-soft">on your list</span>
                                    ) : (
                                        <Button disabled={list.isPending} onClick={() => list.mutate({ calendar, onList: true })} aria-label={`Add ${name} to my list`}>
                                            Add to my list
                                        </Button>
                                    ))}
                                <PinAllTo source={source} />
                            </p>
                            <PinnedTo source={source} />
                        </li>
                    );
                })}
            </ul>
        </Section>
    );
}
