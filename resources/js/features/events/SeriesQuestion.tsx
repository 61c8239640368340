import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { fetchEvent } from './useEventActions';
import { queryKeys } from '@/api/queryKeys';

type Props = {
    title: string;
    doing: 'change' | 'delete';
    id: number;
    occurrence: string | null;
    /** Undefined where it can only mean all of them. */
    onOne: (() => void) | undefined;
    onFollowing: (() => void) | undefined;
    onAll: () => void;
    onClose: () => void;
};

/** Asks whether a change means one time of a series, it and all that follow, or all of them; says what becomes of the others first. */
export function SeriesQuestion({ title, doing, id, occurrence, onOne, onFollowing, onAll, onClose }: Props) {
    // Asked on its own: what a panel shows next is to be what the event is by then.
    const event = useQuery({ queryKey: queryKeys.event(id, 'exceptions', occurrence), queryFn: () => fetchEvent(id, occurrence) });
    const words = doing === 'change' ? event.data?.repeat?.changing : event.data?.repeat?.deleting;
    const choose = (action: () => void) => () => {
        onClose();
        action();
    };
    return (
        <Dialog open onOpenChange={onClose} title={title} about={event.data?.repeat == null ? 'This event repeats.' : `It repeats ${event.data.repeat.words}.`}>
            <dl className="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2.5">
                {onOne !== undefined && (
                    <Choice words={words?.one}>
                        <Button look="primary" className="w-full" onClick={choose(onOne)} autoFocus>
                            Only this one
                        </Button>
                    </Choice>
                )}
                {onFollowing !== undefined && (
                    <Choice words={words?.following}>
                        <Button className="w-full" onClick={choose(onFollowing)}>
                            This and all that follow
                        </Button>
                    </Choice>
                )}
                <Choice words={words?.all}>
                    <Button className="w-full" onClick={choose(onAll)}>
                        All of them
                    </Button>
                </Choice>
            </dl>
            <Button look="quiet" className="mt-3" onClick={onClose}>
                Cancel
            </Button>
        </Dialog>
    );
}

function Choice({ words, children }: { words: string | undefined; children: ReactNode }) {
    return (
        <>
            <dt>{children}</dt>
            <dd className="text-[12.5px] text-soft">{words}</dd>
        </>
    );
}
