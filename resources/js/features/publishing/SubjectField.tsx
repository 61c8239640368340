import { Field } from '@/components/Field';
import type { Managed } from './useManaged';

type Props = { of: string; choices: readonly Managed[]; error: string | undefined; onChange: (of: string) => void };

/** Of which calendar or overlay something goes out. */
export function SubjectField({ of, choices, error, onChange }: Props) {
    return (
        <Field label="What" error={error}>
            {(control) => (
                <select {...control} required value={of} onChange={(event) => onChange(event.target.value)}>
                    <option value="">Choose what you manage</option>
                    {choices.map(({ value, name, kind }) => (
                        <option key={value} value={value}>
                            {name} ({kind})
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
}
