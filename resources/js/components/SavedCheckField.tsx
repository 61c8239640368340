import { useState } from 'react';
import { CheckField } from './Field';

type Props = { label: string; title?: string; checked: boolean; save: (checked: boolean) => Promise<unknown> };

/** A tick that is saved as it is set: it shows at once, and goes back where it could not be saved. */
export function SavedCheckField({ checked, save, ...props }: Props) {
    // What was chosen over what was told: once something else is told, that holds.
    const [chosen, setChosen] = useState<{ checked: boolean; over: boolean } | null>(null);
    return (
        <CheckField
            {...props}
            checked={chosen !== null && chosen.over === checked ? chosen.checked : checked}
            onChange={(event) => {
                setChosen({ checked: event.target.checked, over: checked });
                void save(event.target.checked).catch(() => setChosen(null));
            }}
        />
    );
}
