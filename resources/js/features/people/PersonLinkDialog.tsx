import { Button } from '@/components/Button';
import { CopyField } from '@/components/CopyField';
import { Dialog } from '@/components/Dialog';
import type { DirectoryPerson } from './usePeople';

/** A link by which somebody sets a password, to be handed over where no letters go out. */
export function PersonLinkDialog({ person, url, onClose }: { person: DirectoryPerson; url: string; onClose: () => void }) {
    return (
        <Dialog open onOpenChange={onClose} title={`A link for ${person.name}`} about={`No letters go out from here, so hand it over yourself. Whoever has it comes in as ${person.name}: give it to nobody else. It is not shown again; a new one ends it.`}>
            <CopyField label="Link" value={url} />
            <div className="mt-3 flex justify-end">
                <Button onClick={onClose}>Done</Button>
            </div>
        </Dialog>
    );
}
