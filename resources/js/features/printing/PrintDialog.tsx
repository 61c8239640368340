import { useState } from 'react';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { Field } from '@/components/Field';
import { setPrinting, type Paper } from '@/features/sheet/printing';
import { useRota } from '@/features/sheet/RotaContext';

/** Chooses the page to print on. */
export function PrintDialog({ onClose }: { onClose: () => void }) {
    const { view } = useRota();
    const [paper, setPaper] = useState<Paper>('a4');
    const [across, setAcross] = useState(view !== 'list');
    return (
        <Dialog open onOpenChange={onClose} title="Print" about={view === 'list' ? 'As many pages as the list takes, with the key.' : 'What is on the sheet, on one page, with the key. Marks and patterns tell layers apart in black and white.'}>
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    onClose();
                    setPrinting({ paper, across });
                }}
            >
                <div className="flex gap-4">
                    <Field label="Paper">
                        {(control) => (
                            <select {...control} value={paper} onChange={(event) => setPaper(event.target.value as Paper)}>
                                <option value="a4">A4</option>
                                <option value="a3">A3</option>
                            </select>
                        )}
                    </Field>
                    <Field label="Page lies">
                        {(control) => (
                            <select {...control} value={across ? 'across' : 'upright'} onChange={(event) => setAcross(event.target.value === 'across')}>
                                <option value="across">across</option>
                                <option value="upright">upright</option>
                            </select>
                        )}
                    </Field>
                </div>
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" look="primary">
                        Print
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
