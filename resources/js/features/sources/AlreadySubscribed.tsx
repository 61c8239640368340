import { Link } from '@tanstack/react-router';
import type { Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { usePinning, type To } from './usePinning';
import { useSources, type Source } from './useSources';

type Props = {
    subscribed: Schemas['SubscribedAlready'][];
    /** The calendar on which its events are to show. */
    target: To | undefined;
    /** Once that is done by one that is there. */
    onDone: () => void;
};

/** Who has an address already: theirs is enough, and is pinned where one wants it instead of being fetched twice. */
export function AlreadySubscribed({ subscribed, target, onDone }: Props) {
    const sources = useSources().data ?? [];
    const there = sources.find(({ calendar }) => subscribed.some(({ slug }) => slug === calendar.slug));
    return (
        <div role="note" className="flex flex-wrap items-center gap-x-3 gap-y-1 border-l-[3px] border-l-pin py-1 pl-3">
            <p>
                Already subscribed:{' '}
                {subscribed.map(({ slug, name, by }, index) => (
                    <span key={slug}>
                        {index > 0 && ', '}
                        <Link to="/calendars/$slug" params={{ slug }} className="hit underline">
                            {name}
                        </Link>{' '}
                        (kept by {by})
                    </span>
                ))}
                . {target === undefined ? 'Adding that one to your list is enough.' : `Pinning that one to ${target.name} is enough.`}
            </p>
            {target !== undefined && there !== undefined && <PinThatOne source={there} target={target} onDone={onDone} />}
        </div>
    );
}

function PinThatOne({ source, target, onDone }: { source: Source; target: To; onDone: () => void }) {
    const { pin, isBusy } = usePinning({ id: source.id, name: source.calendar.name });
    return (
        <Button disabled={isBusy} onClick={() => pin(target, onDone)}>
            Pin that one
        </Button>
    );
}
