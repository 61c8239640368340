import clsx from 'clsx';
import { useId, type ComponentProps, type ReactNode } from 'react';

export const CONTROL = 'w-full rounded-sm border border-line bg-sheet px-2 py-1.5 text-[13px] text-ink aria-[invalid=true]:border-pin-ink';

type FieldProps = {
    label: string;
    error?: string | undefined;
    hint?: ReactNode;
    children: (control: { id: string; className: string; 'aria-invalid': boolean; 'aria-describedby': string | undefined }) => ReactNode;
    className?: string;
    /** Where it is seen by something else what the field is for. */
    hidesLabel?: boolean;
};

/** A label, its control, and beneath it what is wrong. */
export function Field({ label, error, hint, children, className, hidesLabel = false }: FieldProps) {
    const id = useId();
    const note = error !== undefined || hint !== undefined ? `${id}-note` : undefined;
    return (
        <div className={clsx('flex flex-col gap-1', className)}>
            <label htmlFor={id} className={hidesLabel ? 'sr-only' : 'text-xs text-soft'}>
                {label}
            </label>
            {children({ id, className: CONTROL, 'aria-invalid': error !== undefined, 'aria-describedby': note })}
            {error !== undefined ? (
                <p id={note} role="alert" className="text-xs font-semibold text-pin-ink">
                    {error}
                </p>
            ) : (
                hint !== undefined && (
                    <p id={note} className="text-xs text-soft">
                        {hint}
                    </p>
                )
            )}
        </div>
    );
}

type TextFieldProps = Omit<ComponentProps<'input'>, 'children'> & { label: string; error?: string | undefined; hint?: ReactNode; fieldClassName?: string };

export function TextField({ label, error, hint, fieldClassName, ...input }: TextFieldProps) {
    return (
        <Field label={label} error={error} hint={hint} {...(fieldClassName === undefined ? {} : { className: fieldClassName })}>
            {(control) => <input type="text" {...control} {...input} />}
        </Field>
    );
}

type ChoiceFieldProps<Choice extends string> = Omit<FieldProps, 'children'> & { value: Choice; /** What can be chosen, in order, each with its words. */ choices: Record<Choice, string>; onChange: (chosen: Choice) => void };

/** One of a few that are known. */
export function ChoiceField<Choice extends string>({ value, choices, onChange, ...field }: ChoiceFieldProps<Choice>) {
    return (
        <Field {...field}>
            {(control) => (
                <select {...control} value={value} onChange={(event) => onChange(event.target.value as Choice)}>
                    {Object.entries<string>(choices).map(([choice, words]) => (
                        <option key={choice} value={choice}>
                            {words}
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
}

export function CheckField({ label, ...input }: ComponentProps<'input'> & { label: string }) {
    return (
        <label className="flex items-center gap-2 py-1">
            <input type="checkbox" className="size-4 accent-(--ink)" {...input} />
            {label}
        </label>
    );
}

/** What went wrong with a whole form. */
export function FormProblem({ children }: { children: ReactNode }) {
    return (
        <div role="alert" className="border-l-[3px] border-pin bg-wash px-2.5 py-1.5 text-[13px]">
            {children}
        </div>
    );
}
