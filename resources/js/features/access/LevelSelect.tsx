import type { ComponentProps } from 'react';
import { CONTROL, Field } from '@/components/Field';
import { LEVELS } from '@/api/generated/words';
import { GIVABLE, type Level } from './levels';

type Props = { label: string; value: Level; onChange: (level: Level) => void; levels?: readonly Level[]; hidden?: boolean };

/** Chooses a level. */
export function LevelSelect({ label, value, onChange, levels = GIVABLE, hidden = false }: Props) {
    const select = (control: Partial<ComponentProps<'select'>>) => (
        <select {...control} value={value} onChange={(event) => onChange(event.target.value as Level)}>
            {levels.map((level) => (
                <option key={level} value={level}>
                    {LEVELS[level].name}
                </option>
            ))}
        </select>
    );
    return hidden ? (
        select({ 'aria-label': label, className: `${CONTROL} max-w-36` })
    ) : (
        <Field label={label} className="w-36">
            {select}
        </Field>
    );
}
