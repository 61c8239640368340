import { useState } from 'react';
import { problemOf } from '@/api/useAction';
import { Button } from '@/components/Button';
import { FormProblem, TextField } from '@/components/Field';
import { useOrganisation } from '@/features/organisation/useOrganisation';

export function NameStep({ onDone }: { onDone: () => void }) {
    const { state, save } = useOrganisation();
    const [written, setWritten] = useState<string | null>(null);
    const problem = problemOf(save);
    const name = written ?? state.data?.name ?? '';
    return (
        <form
            className="flex max-w-md flex-wrap items-end gap-2"
            noValidate
            onSubmit={(event) => {
                event.preventDefault();
                if (state.data !== undefined) save.mutate({ version: state.data.version, input: { name } }, { onSuccess: onDone });
            }}
        >
            <TextField label="Name of the organisation" fieldClassName="min-w-52 flex-1" maxLength={120} value={name} error={problem?.field('name')} onChange={(event) => setWritten(event.target.value)} />
            <Button type="submit" look="primary" disabled={name.trim() === '' || save.isPending || state.data === undefined}>
                Save
            </Button>
            {problem !== null && problem.fields.length === 0 && <FormProblem>{`${problem.message} ${problem.detail}`}</FormProblem>}
        </form>
    );
}
