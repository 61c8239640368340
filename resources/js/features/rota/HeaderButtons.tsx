import { FileDown, ListTree, Plus } from 'lucide-react';
import { Button } from '@/components/Button';
import { bringIn } from '@/features/imports/bringIn';
import { useRota } from '@/features/sheet/RotaContext';

export function AddEventButton() {
    const rota = useRota();
    return (
        <Button look="primary" onClick={() => rota.begin({ start: `${rota.date}T09:00`, allDay: false, calendar: null })} aria-label="Add an event">
            <Plus size={15} aria-hidden="true" />
            <span className="max-sm:hidden">Add an event</span>
        </Button>
    );
}

export function BringInButton() {
    return (
        <Button className="max-md:hidden" onClick={() => bringIn()} aria-label="Bring in" title="Bring in a file, a table, a text or an address">
            <FileDown size={15} aria-hidden="true" />
        </Button>
    );
}

/** On a narrow screen the key is behind it. */
export function KeyButton({ onKey }: { onKey: () => void }) {
    return (
        <Button className="md:hidden" onClick={onKey} aria-label="Key">
            <ListTree size={15} aria-hidden="true" />
        </Button>
    );
}
