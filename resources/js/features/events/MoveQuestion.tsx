import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { landed, rowWords, type Move } from '@/features/sheet/landing';
import { formatWhen } from '@/time/dates';

type Props = { move: Move; onMove: (move: Move) => void; onClose: () => void };

/** Asks whether an event that was taken to another day and another row is to change both. */
export function MoveQuestion({ move, onMove, onClose }: Props) {
    if (move.rows === null) return null;
    const choose = (part: Partial<Move>) => () => {
        onClose();
        onMove({ ...move, ...part });
    };
    return (
        <Dialog open onOpenChange={onClose} title={`Move “${move.item.title}”`} about={`To ${formatWhen(landed(move))}, and ${rowWords(move.rows.to)}.`}>
            <div className="flex flex-wrap gap-2">
                <Button look="primary" onClick={choose({})} autoFocus>
                    Both
                </Button>
                <Button onClick={choose({ rows: null })}>Only the time</Button>
                <Button onClick={choose({ startBy: 0, endBy: 0 })}>Only {rowWords(move.rows.to)}</Button>
                <Button look="quiet" onClick={onClose}>
                    Cancel
                </Button>
            </div>
        </Dialog>
    );
}
