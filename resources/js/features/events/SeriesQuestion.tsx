import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';

type Props = { title: string; /** Undefined where it can only mean all of them. */ onOne: (() => void) | undefined; onAll: () => void; onClose: () => void };

/** Asks whether a change means one time of a series or all of them. */
export function SeriesQuestion({ title, onOne, onAll, onClose }: Props) {
    const choose = (action: () => void) => () => {
        onClose();
        action();
    };
    return (
        <Dialog open onOpenChange={onClose} title={title} about="This event repeats.">
            <div className="flex flex-wrap gap-2">
                {onOne !== undefined && (
                    <Button look="primary" onClick={choose(onOne)} autoFocus>
                        Only this one
                    </Button>
                )}
                <Button onClick={choose(onAll)}>All of them</Button>
                <Button look="quiet" onClick={onClose}>
                    Leave it
                </Button>
            </div>
        </Dialog>
    );
}
