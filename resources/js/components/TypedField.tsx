import { useState, type KeyboardEvent, type ReactNode } from 'react';
import { Field } from './Field';
import { readTyped, whileReading, type Kind } from './typed';

type Props = {
    label: string;
    kind: Kind;
    /** As it is stored; empty where there is none, or none that is understood. */
    value: string;
    onChange: (value: string) => void;
    /** As it is shown. */
    format: (value: string) => string;
    /** What is typed is meant in this zone. */
    zone: string;
    error?: string | undefined;
    className?: string | undefined;
    /** Where the label is said by something else. */
    hidesLabel?: boolean;
    placeholder?: string;
    /** Whether nothing may be in it. */
    optional?: boolean;
    /** Whether Enter settles what is typed and sends no form. */
    keepsEnter?: boolean;
    /** Beside the field: a small calendar. */
    beside?: ReactNode;
    onKeyDown?: (event: KeyboardEvent<HTMLInputElement>) => void;
};

/** A field for a date or an hour that takes what people type, and shows what was understood. */
export function TypedField({ label, kind, value, onChange, format, zone, error, className, hidesLabel = false, placeholder, optional = false, keepsEnter = false, beside, onKeyDown }: Props) {
    const [typed, setTyped] = useState<string | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const shown = typed ?? (value === '' ? '' : format(value));
    const fail = (words: string, instead: string | null) => {
        setProblem(`“${words}” is no ${kind === 'date' ? 'day' : 'time'}.${instead === null ? '' : ` Is it ${instead}?`}`);
        onChange('');
    };
    const settle = () => {
        if (typed === null) return;
        const words = typed.trim();
        if (words === '' || (value !== '' && words === format(value))) {
            setTyped(null);
            setProblem(words === '' && !optional ? (kind === 'date' ? 'Type a day, such as “14 mar”.' : 'Type a time, such as “9:30”.') : null);
            if (words === '') onChange('');
            return;
        }
        const take = ({ value: found, instead }: { value: string | null; instead: string | null }) => {
            if (found === null) return fail(words, instead);
            setTyped(null);
            setProblem(null);
            onChange(found);
        };
        const read = readTyped(words, kind, zone);
        if (read instanceof Promise) void whileReading(read.then(take, () => fail(words, null)));
        else take(read);
    };
    return (
        <Field label={label} error={problem ?? error} {...(className === undefined ? {} : { className })} hidesLabel={hidesLabel}>
            {(control) => (
                <div className="relative">
                    <input
                        {...control}
                        type="text"
                        autoComplete="off"
                        spellCheck={false}
                        placeholder={placeholder}
                        value={shown}
                        onChange={(event) => setTyped(event.target.value)}
                        onFocus={(event) => event.target.select()}
                        onBlur={settle}
                        onKeyDown={(event) => {
                            if (event.key !== 'Enter') return onKeyDown?.(event);
                            if (keepsEnter) event.preventDefault();
                            settle();
                        }}
                    />
                    {beside}
                </div>
            )}
        </Field>
    );
}
