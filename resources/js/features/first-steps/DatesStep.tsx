import { useState } from 'react';
import { problemOf } from '@/api/useAction';
import { Button } from '@/components/Button';
import { FormProblem } from '@/components/Field';
import { Loading } from '@/components/States';
import { DateFields } from '@/features/organisation/DateFields';
import { useOrganisation, type OrganisationInput } from '@/features/organisation/useOrganisation';

export function DatesStep({ onDone }: { onDone: () => void }) {
    const { state, save } = useOrganisation();
    const [input, setInput] = useState<OrganisationInput>({});
    if (state.data === undefined) return <Loading what="what is decided" />;
    const { version, timezone, dayFirst, firstMonth } = state.data;
    const is = { timezone, dayFirst, firstMonth, ...input };
    const problem = problemOf(save);
    return (
        <form
            noValidate
            onSubmit={(event) => {
                event.preventDefault();
                // All of it: what is right as it stands is decided by saving it.
                save.mutate({ version, input: is }, { onSuccess: onDone });
            }}
        >
            <DateFields is={is} put={(part) => setInput({ ...input, ...part })} problem={problem} />
            {problem !== null && problem.fields.length === 0 && <FormProblem>{`${problem.message} ${problem.detail}`}</FormProblem>}
            <Button type="submit" look="primary" className="mt-3" disabled={save.isPending}>
                Save
            </Button>
        </form>
    );
}
