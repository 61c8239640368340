import type { Problem } from '@/api/client';
import { Button } from './Button';
import { FormProblem } from './Field';

type Props = { /** What its button says. */ submit: string; pending: boolean; problem: Problem | null; onCancel: () => void };

/** How a form in a dialog ends: what is wrong with the whole of it, the button that sends it, and the way out. */
export function FormFoot({ submit, pending, problem, onCancel }: Props) {
    return (
        <>
            {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
            <div className="flex gap-2">
                <Button type="submit" look="primary" disabled={pending}>
                    {submit}
                </Button>
                <Button look="quiet" onClick={onCancel}>
                    Cancel
                </Button>
            </div>
        </>
    );
}
