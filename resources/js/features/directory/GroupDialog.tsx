import { useState } from 'react';
import { Problem } from '@/api/client';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { FormProblem, TextField } from '@/components/Field';
import { useGroupActions, type Group } from './useGroups';

type Props = { group: Group | null; onClose: () => void };

/** Names a group: a new one, or one that is there. */
export function GroupDialog({ group, onClose }: Props) {
    const { create, rename } = useGroupActions();
    const [name, setName] = useState(group?.name ?? '');
    const saving = group === null ? create : rename;
    const problem = saving.error instanceof Problem ? saving.error : null;
    const save = () => (group === null ? create.mutate(name, { onSuccess: onClose }) : rename.mutate({ group, name }, { onSuccess: onClose }));
    return (
        <Dialog open onOpenChange={onClose} title={group === null ? 'Make a group' : `Rename “${group.name}”`}>
            <form
                className="flex flex-col gap-3"
                noValidate
                onSubmit={(event) => {
                    event.preventDefault();
                    save();
                }}
            >
                <TextField label="Name" value={name} error={problem?.field('name')} autoComplete="off" autoFocus onChange={(event) => setName(event.target.value)} />
                {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" look="primary" disabled={saving.isPending}>
                        {group === null ? 'Make it' : 'Save'}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
