import { useState } from 'react';
import { useCategories } from '@/features/calendars/useCalendars';
import { TextField } from '@/components/Field';

type Props = { calendar: string; chosen: string[]; onChange: (names: string[]) => void; error: string | undefined };

/** The categories of an event: the organisation's, the calendar's own, or a new one. */
export function CategoryPicker({ calendar, chosen, onChange, error }: Props) {
    const categories = useCategories();
    const [added, setAdded] = useState('');
    const known = (categories.data ?? []).filter((each) => each.calendar === null || each.calendar === calendar).map((each) => each.name);
    const names = [...new Set([...known, ...chosen])];
    const has = (name: string) => chosen.some((each) => each.toLowerCase() === name.toLowerCase());
    const add = () => {
        const name = added.trim();
        setAdded('');
        if (name !== '' && !has(name)) onChange([...chosen, name]);
    };
    return (
        <fieldset className="flex flex-col gap-1.5">
            <legend className="mb-1 text-xs text-soft">Categories</legend>
            <div className="flex flex-wrap gap-1">
                {names.map((name) => (
                    <button
                        key={name}
                        type="button"
                        aria-pressed={has(name)}
                        onClick={() => onChange(has(name) ? chosen.filter((each) => each.toLowerCase() !== name.toLowerCase()) : [...chosen, name])}
                        className="min-h-6 pointer-coarse:min-h-11 pointer-coarse:min-w-11 rounded-sm border border-line bg-sheet px-1.5 py-0.5 text-xs hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
                    >
                        {name}
                    </button>
                ))}
            </div>
            <TextField
                label="Another category"
                value={added}
                maxLength={80}
                error={error}
                hint={added.trim() === '' ? undefined : 'Enter adds it'}
                onChange={(event) => setAdded(event.target.value)}
                onBlur={add}
                onKeyDown={(event) => {
                    if (event.key === 'Enter') {
                        event.preventDefault();
                        add();
                    }
                }}
            />
        </fieldset>
    );
}
