import { Button } from '@/components/Button';

type Props = { /** What follows from it. */ about: string; pending: boolean; onTake: () => void; onCancel: () => void };

/** Asks once more before something is taken back for good. */
export function TakeBack({ about, pending, onTake, onCancel }: Props) {
    return (
        <p className="mt-2 flex flex-wrap items-center gap-2">
            {about}
            <Button look="danger" disabled={pending} onClick={onTake} autoFocus>
                Take it back
            </Button>
            <Button look="quiet" onClick={onCancel}>
                Cancel
            </Button>
        </p>
    );
}
