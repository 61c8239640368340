import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';

type Props = {
    title: string;
    /** Undefined where it can only mean all of them. */
    onOne: (() => void) | undefined;
    onFollowing: (() => void) | undefined;
    onAll: () => void;
    onClose: () => void;
};

/** Asks whether a change means one time of a series, it and all that follow, or all of them; says what becomes of the others first. */
export function SeriesQuestion({ title, onOne, onFollowing, onAll, onClose }: Props) {
    const choose = (action: () => void) => () => {
        onClose();
        action();
    };
    return (
        <Dialog open onOpenChange={onClose} title={title} about="This event repeats. Times that were changed or left out on their own stay so, and go along with the series that they are in.">
            <div className="flex flex-wrap gap-2">
                {onOne !== undefined && (
                    <Button look="primary" onClick={choose(onOne)} autoFocus>
                        Only this one
                    </Button>
                )}
                {onFollowing !== undefined && <Button onClick={choose(onFollowing)}>This and all that follow</Button>}
                <Button onClick={choose(onAll)}>All of them</Button>
                <Button look="quiet" onClick={onClose}>
                    Leave it
                </Button>
            </div>
        </Dialog>
    );
}
