import { Link } from '@tanstack/react-router';
import type { Schemas } from '@/api/client';
import { Mark } from '@/components/Mark';
import { Section } from '@/components/Page';
import { HeldRefresh } from '@/features/sources/HeldRefresh';
import { formatMoment } from '@/time/dates';

type Source = Schemas['SourceWaiting'];

/** Sources that one manages: those that ask something, and those that fail. */
export function SourcesWaiting({ sources }: { sources: readonly Source[] }) {
    return (
        <Section title="From outside" about="Nothing of it is lost: what was fetched before is there.">
            <ul className="border-t border-line" aria-label="From outside">
                {sources.map((source) => (
                    <li key={source.id} className="border-b border-line py-2.5">
                        <p className="mb-1 flex flex-wrap items-center gap-2.5">
                            <Mark mark={source.calendar.mark} ink={source.calendar.colour} size={16} />
                            <Link to="/sources" className="hit font-semibold hover:underline">
                                {source.calendar.name}
                            </Link>
                        </p>
                        {source.failingSince !== null && (
                            <p>
                                It could not be fetched since {formatMoment(source.failingSince)}. {source.error}
                            </p>
                        )}
                        {source.held !== null && <HeldRefresh source={source} held={source.held} />}
                    </li>
                ))}
            </ul>
        </Section>
    );
}
